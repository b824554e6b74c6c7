import { applyChange } from '../edits/change';
import type { EditJson } from '../edits/editKind';
import type { ThreadId } from '../rig/ids';
import { settingKeyOf } from '../rig/settings';
import type { SettingKey, SettingValue } from '../rig/settings';
import { compile } from '../graph/compile';
import { realise, stationOfRole } from '../routing/realise';
import type { RouteOptions } from '../routing/route';
import { route } from '../routing/route';
import type { Cord, Scene, Session, Thread } from '../session/sessionSchema';
import type { Studio } from '../session/studioSchema';
import type { ScenePlace } from './scenePlace';
import { findScene } from './scenePlace';

const cordAdd = (place: ScenePlace, item: Cord): EditJson => ({ type: 'cord.add', ...place, item });
const cordRemove = (place: ScenePlace, cord: Cord): EditJson => ({
  type: 'cord.remove',
  ...place,
  id: cord.id,
  was: cord,
});

function settingSet(place: ScenePlace, scene: Scene, key: SettingKey, value: SettingValue | null): EditJson {
  return { type: 'setting.set', ...place, key, value, was: scene.settings[key] ?? null };
}

/** The edits from one set of cords to another: pulls before plugs, so that a jack is free when it is needed. */
function cordEdits(place: ScenePlace, before: readonly Cord[], after: readonly Cord[]): readonly EditJson[] {
  const kept = new Set(after.filter((cord) => before.includes(cord)).map((cord) => cord.id));
  return [
    ...before.filter((cord) => !kept.has(cord.id)).map((cord) => cordRemove(place, cord)),
    ...after.filter((cord) => !kept.has(cord.id)).map((cord) => cordAdd(place, cord)),
  ];
}

/** The studio after edits of our own making; they apply, or the program is at fault. */
function after(studio: Studio, edits: readonly EditJson[]): Studio | undefined {
  if (edits.length === 0) return studio;
  const result = applyChange(studio, edits);
  return result.ok ? result.value : undefined;
}

/** Routes threads of a scene and gives the edits that do it. */
export function routeEdits(studio: Studio, place: ScenePlace, options?: RouteOptions): readonly EditJson[] {
  const found = findScene(studio, place);
  if (found === undefined) return [];
  const { session, scene } = found;
  const { cords, settings } = route(studio.rig, session, scene, options);
  return [
    ...cordEdits(place, scene.cords, cords),
    ...(Object.entries(settings) as [SettingKey, SettingValue | null][]).map(([key, value]) =>
      settingSet(place, scene, key, value),
    ),
  ];
}

/** Edits followed by the routing of the threads they touch. Refused edits are given back as they are. */
function thenRoute(
  studio: Studio,
  place: ScenePlace,
  edits: readonly EditJson[],
  threads: readonly ThreadId[],
): readonly EditJson[] {
  const next = after(studio, edits);
  return next === undefined ? edits : [...edits, ...routeEdits(next, place, { only: threads })];
}

/** What a person typed for the preamp of a new thread. */
export interface PreampWish {
  readonly gainDb?: number;
  readonly phantom?: boolean;
}

/** Sets gain and 48 V on the preamp a thread came to use. */
function preampEdits(
  studio: Studio,
  place: ScenePlace,
  thread: Thread,
  wish: PreampWish,
): readonly EditJson[] {
  const found = findScene(studio, place);
  if (found === undefined) return [];
  const graph = compile(studio.rig, found.session, found.scene);
  const preamp = stationOfRole(realise(graph, thread), 'preamp');
  if (preamp === undefined) return [];
  const wishes = [
    ['gainDb', wish.gainDb],
    ['phantom', wish.phantom],
  ] as const;
  return wishes.flatMap(([setting, value]) => {
    const key = settingKeyOf(preamp.device, setting, preamp.channel);
    return value === undefined ? [] : [settingSet(place, found.scene, key, value)];
  });
}

/** Adds a thread, routes it, and sets its preamp. */
export function addThreadEdits(
  studio: Studio,
  place: ScenePlace,
  thread: Thread,
  wish: PreampWish = {},
): readonly EditJson[] {
  const edits = thenRoute(
    studio,
    place,
    [{ type: 'thread.add', session: place.session, item: thread }],
    [thread.id],
  );
  const next = after(studio, edits);
  return next === undefined ? edits : [...edits, ...preampEdits(next, place, thread, wish)];
}

/** Fields of a thread that decide where it runs. */
const decidesRoute = (field: string): boolean =>
  field === 'from' || field === 'inserts' || field.startsWith('pins.');

/** Changes one field of a thread, and routes it again where the field decides its way. */
export function changeThreadEdits(
  studio: Studio,
  place: ScenePlace,
  id: ThreadId,
  field: string,
  value: unknown,
  was: unknown,
): readonly EditJson[] {
  const edit: EditJson = { type: 'thread.set', session: place.session, id, field, value, was };
  return decidesRoute(field) ? thenRoute(studio, place, [edit], [id]) : [edit];
}

/** The other sides of a wide thread stand alone once its first side goes. */
function unlinkEdits(session: Session, lead: ThreadId): readonly EditJson[] {
  return session.threads.flatMap(({ id, link }) =>
    link?.lead === lead
      ? [{ type: 'thread.set', session: session.id, id, field: 'link', value: null, was: link }]
      : [],
  );
}

/** Removes a thread, and its cords from every scene. */
export function removeThreadEdits(studio: Studio, place: ScenePlace, id: ThreadId): readonly EditJson[] {
  const session = studio.sessions.find((candidate) => candidate.id === place.session);
  if (session === undefined) return [];
  const pulls = session.scenes.flatMap((scene) =>
    scene.cords
      .filter((cord) => cord.thread === id)
      .map((cord) => cordRemove({ session: session.id, scene: scene.id }, cord)),
  );
  return [...pulls, ...unlinkEdits(session, id), { type: 'thread.remove', session: session.id, id }];
}

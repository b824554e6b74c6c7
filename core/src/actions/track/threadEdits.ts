import type { Edit, FieldChange } from '../../edits/make';
import { editAdd, editRemove, editSet } from '../../edits/make';
import { applyChange } from '../../edits/change';
import type { ThreadId } from '../../rig/ids';
import { settingKeyOf } from '../../rig/settings';
import { compile } from '../../graph/compile';
import { realise, stationOfRole } from '../../routing/realise';
import { patchEdits, settingSet } from '../patchEdits';
import { releaseEdits } from '../releaseEdits';
import type { RouteOptions } from '../../routing/route';
import { route } from '../../routing/route';
import type { Scene, Session, Thread } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import type { ScenePlace } from '../../session/scenePlace';
import { findScene } from '../../session/scenePlace';

/** The studio after edits of our own making; they apply, or the program is at fault. */
export function after(studio: Studio, edits: readonly Edit[]): Studio | undefined {
  if (edits.length === 0) return studio;
  const result = applyChange(studio, edits);
  return result.ok ? result.value : undefined;
}

/** Routes threads of a scene and gives the edits that do it. */
export function routeEdits(studio: Studio, place: ScenePlace, options?: RouteOptions): readonly Edit[] {
  const found = findScene(studio, place);
  if (found === undefined) return [];
  const { session, scene } = found;
  const { cords, settings } = route(studio.rig, session, scene, options);
  return patchEdits(place, scene, cords, settings);
}

/** The scenes some threads are active in, but for those that are put away. */
const scenesOf = (
  { sessions }: Studio,
  session: Session['id'],
  threads: readonly ThreadId[],
): readonly Scene['id'][] =>
  sessions
    .filter(({ id }) => id === session)
    .flatMap((found) =>
      found.scenes.filter(
        ({ id, archived }) =>
          archived !== true &&
          found.threads.some((thread) => threads.includes(thread.id) && thread.scenes.includes(id)),
      ),
    )
    .map(({ id }) => id);

/**
 * Edits followed by the routing, in every scene they are in, of the threads they touch. Refused edits are given
 * back as they are.
 * @param added those of the threads that were not there before.
 */
export function thenRoute(
  studio: Studio,
  place: ScenePlace,
  edits: readonly Edit[],
  threads: readonly ThreadId[],
  added: readonly ThreadId[] = [],
): readonly Edit[] {
  let now = after(studio, edits);
  if (now === undefined) return edits;
  const all = [...edits];
  for (const scene of scenesOf(now, place.session, threads)) {
    const more: readonly Edit[] = routeEdits(
      now,
      { ...place, scene },
      {
        only: threads,
        added,
      },
    );
    all.push(...more);
    now = after(now, more) ?? now;
  }
  return all;
}

/** What a person typed for the preamp of a new thread. */
export interface PreampWish {
  readonly gainDb?: number;
  readonly phantom?: boolean;
}

/** Sets gain and 48 V on the preamp a thread came to use. */
function preampEdits(studio: Studio, place: ScenePlace, thread: Thread, wish: PreampWish): readonly Edit[] {
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
): readonly Edit[] {
  const edits = thenRoute(
    studio,
    place,
    [editAdd('thread', { session: place.session }, thread)],
    [thread.id],
    [thread.id],
  );
  const next = after(studio, edits);
  return next === undefined ? edits : [...edits, ...preampEdits(next, place, thread, wish)];
}

/** Adds threads that belong together, the sides of a wide one, and routes them together. */
export const addThreadsEdits = (
  studio: Studio,
  place: ScenePlace,
  threads: readonly Thread[],
): readonly Edit[] =>
  thenRoute(
    studio,
    place,
    threads.map((thread) => editAdd('thread', { session: place.session }, thread)),
    threads.map(({ id }) => id),
    threads.map(({ id }) => id),
  );

/** Fields of a thread that decide where it runs. */
export const decidesRoute = (field: string): boolean =>
  field === 'from' || field === 'to' || field === 'inserts' || field === 'link' || field.startsWith('pins.');

/** Changes one field of a thread, and routes it again where the field decides its way. */
export function changeThreadEdits(
  studio: Studio,
  place: ScenePlace,
  id: ThreadId,
  change: FieldChange<'thread'>,
): readonly Edit[] {
  const edit = editSet('thread', { session: place.session }, id, change);
  return decidesRoute(change.field) ? thenRoute(studio, place, [edit], [id]) : [edit];
}

/** The other sides of a wide thread stand alone once its first side goes. */
function unlinkEdits(session: Session, lead: ThreadId): readonly Edit[] {
  return session.threads.flatMap(({ id, link }) =>
    link?.lead === lead
      ? [editSet('thread', { session: session.id }, id, { field: 'link', value: null, was: link })]
      : [],
  );
}

/** Removes a thread, with its cords and crosspoints in every scene. */
export function removeThreadEdits(studio: Studio, place: ScenePlace, id: ThreadId): readonly Edit[] {
  const session = studio.sessions.find((candidate) => candidate.id === place.session);
  if (session === undefined) return [];
  const releases = session.scenes.flatMap((scene) => releaseEdits(studio.rig, session, scene, id));
  return [...releases, ...unlinkEdits(session, id), editRemove('thread', { session: session.id }, id)];
}

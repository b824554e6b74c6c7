import { applyEdits } from '../../edits/change';
import type { EditJson } from '../../edits/editKind';
import { sameValue } from '../../edits/sameValue';
import type { SettingKey } from '../../rig/settings';
import type { Cord, Scene, Session } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import { findScene } from '../../session/scenePlace';

/** The fields that say in which scene an edit happens. */
interface InScene extends EditJson {
  readonly session: Session['id'];
  readonly scene: Scene['id'];
}

const isInScene = (edit: EditJson): edit is InScene =>
  typeof edit['session'] === 'string' && typeof edit['scene'] === 'string';

const isFree = ({ cords }: Scene, { id, from, to }: Cord): boolean =>
  cords.every((cord) => cord.id !== id && cord.from !== from && cord.to !== to);

const cordIn = ({ cords }: Scene, id: unknown): Cord | undefined => cords.find((cord) => cord.id === id);

/**
 * The same edit in a scene that follows: made there as well where both were alike before. What the
 * follower has changed for itself stays its own.
 */
function mirrored(edit: InScene, base: Scene, follower: Scene): EditJson | undefined {
  const there = { ...edit, scene: follower.id };
  switch (edit.type) {
    case 'setting.set': {
      const key = edit['key'] as SettingKey;
      return (base.settings[key] ?? null) === (follower.settings[key] ?? null) ? there : undefined;
    }
    case 'cord.add':
      return isFree(follower, edit['item'] as Cord) ? there : undefined;
    case 'cord.set':
    case 'cord.remove': {
      const [own, others] = [cordIn(base, edit['id']), cordIn(follower, edit['id'])];
      return own !== undefined && sameValue(own, others) ? there : undefined;
    }
    default:
      return undefined;
  }
}

/** Scenes as a list of a thread's scenes would be, with those that follow them in this session. */
function withFollowing({ scenes }: Session, listed: readonly Scene['id'][]): readonly Scene['id'][] {
  const all = new Set(listed);
  for (const id of all)
    for (const scene of scenes) if (scene.follows === id && scene.archived !== true) all.add(scene.id);
  return [...all];
}

const sessionNamed = (studio: Studio, id: unknown): Session | undefined =>
  studio.sessions.find((session) => session.id === id);

/** A thread or cue that comes into a scene comes into those that follow; what was there before is left alone. */
function withScenes(studio: Studio, edit: EditJson): EditJson {
  const session = sessionNamed(studio, edit['session']);
  if (session === undefined) return edit;
  if (edit.type === 'thread.add' || edit.type === 'cue.add') {
    const item = edit['item'] as { readonly scenes: readonly Scene['id'][] };
    return { ...edit, item: { ...item, scenes: withFollowing(session, item.scenes) } };
  }
  if ((edit.type !== 'thread.set' && edit.type !== 'cue.set') || edit['field'] !== 'scenes') return edit;
  const [was, value] = [edit['was'], edit['value']] as (readonly Scene['id'][])[];
  const fresh = (value ?? []).filter((id) => was?.includes(id) !== true);
  return { ...edit, value: [...new Set([...(value ?? []), ...withFollowing(session, fresh)])] };
}

/** The edit in every scene that follows the one it is made in, and in those that follow these. */
function inFollowers(studio: Studio, edit: InScene): readonly EditJson[] {
  const found = findScene(studio, edit);
  if (found === undefined) return [];
  const { session, scene: base } = found;
  return session.scenes
    .filter((scene) => scene.follows === base.id && scene.archived !== true)
    .flatMap((follower) => {
      const copy = mirrored(edit, base, follower);
      return copy === undefined ? [] : [copy, ...inFollowers(studio, copy as InScene)];
    });
}

/**
 * Edits in steps, each looked at in the studio the ones before it leave. Knobs do not look at each other: turned one
 * after the other they are one step, as long as none is turned twice.
 */
function steps(edits: readonly EditJson[]): readonly (readonly EditJson[])[] {
  const all: { knobs: Set<string> | undefined; edits: EditJson[] }[] = [];
  for (const edit of edits) {
    const knob = edit.type === 'setting.set' ? `${String(edit['scene'])} ${String(edit['key'])}` : undefined;
    const last = all.at(-1);
    if (knob !== undefined && last?.knobs !== undefined && !last.knobs.has(knob)) {
      last.knobs.add(knob);
      last.edits.push(edit);
    } else all.push({ knobs: knob === undefined ? undefined : new Set([knob]), edits: [edit] });
  }
  return all.map((step) => step.edits);
}

/** What a step means, scene by scene: edits of one scene beside one another are applied in one go. */
function meant(studio: Studio, step: readonly EditJson[]): readonly EditJson[] {
  const own = step.map((edit) => withScenes(studio, edit));
  const copies = own.flatMap((edit) => (isInScene(edit) ? inFollowers(studio, edit) : []));
  const scenes = [...new Set(copies.map((copy) => copy['scene']))];
  return [...own, ...scenes.flatMap((scene) => copies.filter((copy) => copy['scene'] === scene))];
}

/**
 * A change with what it means for scenes that follow the ones it touches. The additions are edits like
 * any others, so they are refused, undone and seen in the history together with what caused them.
 */
export function withFollowers(studio: Studio, edits: readonly EditJson[]): readonly EditJson[] {
  if (!studio.sessions.some(({ scenes }) => scenes.some(({ follows }) => follows !== undefined)))
    return edits;
  const all: EditJson[] = [];
  let now = studio;
  for (const step of steps(edits)) {
    const batch = meant(now, step);
    all.push(...batch);
    const result = applyEdits(now, batch);
    // A change that does not apply is refused whole, and told as it is.
    if (!result.ok) return edits;
    now = result.value;
  }
  return all;
}

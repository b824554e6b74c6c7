import type { Edit } from '../../edits/make';
import { editAdd, editSet } from '../../edits/make';
import { applyChange } from '../../edits/change';
import type { SceneId, ThreadId } from '../../rig/ids';
import { idFromName } from '../../rig/ids';
import type { Cue } from '../../session/cueSchema';
import type { Scene, Session, Thread } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import type { ScenePlace } from '../../session/scenePlace';
import { findScene } from '../../session/scenePlace';
import { releaseEdits } from '../releaseEdits';
import { routeEdits } from '../track/threadEdits';

/** How a scene begins: as another one is, following it from then on, or with nothing plugged. */
export const SCENE_STARTS = ['copy', 'branch', 'empty'] as const;
export type SceneStart = (typeof SCENE_STARTS)[number];

/** A new scene, and what makes it. */
export interface NewScene {
  readonly id: SceneId;
  readonly edits: readonly Edit[];
}

const threadInto = (session: Session, thread: Thread, scenes: readonly SceneId[]): Edit =>
  editSet('thread', { session: session.id }, thread.id, {
    field: 'scenes',
    value: scenes,
    was: thread.scenes,
  });

const cueInto = (session: Session, cue: Cue, scenes: readonly SceneId[]): Edit =>
  editSet('cue', { session: session.id }, cue.id, { field: 'scenes', value: scenes, was: cue.scenes });

/** Adds a scene made of the one at a place. A copy stands alone; a branch follows. */
export function newSceneEdits(
  studio: Studio,
  place: ScenePlace,
  name: string,
  start: SceneStart,
): NewScene | undefined {
  const found = findScene(studio, place);
  if (found === undefined) return undefined;
  const { session, scene } = found;
  const id = idFromName(name, new Set(session.scenes.map((each) => each.id)), 'scene') as SceneId;
  const isBare = start === 'empty';
  const item: Scene = {
    ...{ id, name },
    ...(start === 'branch' && { follows: scene.id }),
    cords: isBare ? [] : scene.cords,
    settings: isBare ? {} : scene.settings,
    ...(!isBare && scene.trackStates && { trackStates: scene.trackStates }),
  };
  const threads = isBare ? [] : session.threads.filter(({ scenes }) => scenes.includes(scene.id));
  const cues = isBare ? [] : session.cues.filter(({ scenes }) => scenes.includes(scene.id));
  return {
    id,
    edits: [
      editAdd('scene', { session: session.id }, item),
      ...threads.map((thread) => threadInto(session, thread, [...thread.scenes, id])),
      ...cues.map((cue) => cueInto(session, cue, [...cue.scenes, id])),
    ],
  };
}

/**
 * Brings a thread into a scene and routes it there, or takes it out with its cords and crosspoints.
 * Empty where it is so already.
 */
export function threadInSceneEdits(
  studio: Studio,
  place: ScenePlace,
  id: ThreadId,
  isIn: boolean,
): readonly Edit[] {
  const found = findScene(studio, place);
  const thread = found?.session.threads.find((each) => each.id === id);
  if (found === undefined || thread === undefined || thread.scenes.includes(place.scene) === isIn) return [];
  const { session, scene } = found;
  if (!isIn)
    return [
      ...releaseEdits(studio.rig, session, scene, id),
      threadInto(
        session,
        thread,
        thread.scenes.filter((each) => each !== scene.id),
      ),
    ];
  const edits = [threadInto(session, thread, [...thread.scenes, scene.id])];
  const result = applyChange(studio, edits);
  return result.ok ? [...edits, ...routeEdits(result.value, place, { only: [id] })] : edits;
}

/** A line of the input list that is to run in a scene, or not to. */
export interface LineInScene {
  readonly thread: ThreadId;
  readonly scene: SceneId;
  readonly isIn: boolean;
}

/** As `threadInSceneEdits`, for many at once: each is routed among those before it. */
export function threadsInScenesEdits(
  studio: Studio,
  place: ScenePlace,
  wanted: readonly LineInScene[],
): readonly Edit[] {
  const edits: Edit[] = [];
  let next = studio;
  for (const { thread, scene, isIn } of wanted) {
    const more = threadInSceneEdits(next, { ...place, scene }, thread, isIn);
    const result = applyChange(next, more);
    edits.push(...more);
    // What cannot be is refused with the whole, and told, when the change is made.
    if (!result.ok) return edits;
    next = result.value;
  }
  return edits;
}

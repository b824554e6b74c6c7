import type { ChosenCounterparts, Counterpart } from '@ft/core/actions/sessions/counterparts';
import { counterparts } from '@ft/core/actions/sessions/counterparts';
import type { TakenOver } from '@ft/core/actions/sessions/takenOver';
import { takenOver } from '@ft/core/actions/sessions/takenOver';
import type { Edit } from '@ft/core/edits/make';
import type { Rig } from '@ft/core/rig/rigSchema';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import { compareScenes } from '@ft/core/views/scenes/compareScenes';
import type { SceneComparison } from '@ft/core/views/scenes/comparison';
import type { LineInScene, NewScene, SceneStart } from '@ft/core/actions/scenes/sceneEdits';
import { newSceneEdits, threadsInScenesEdits } from '@ft/core/actions/scenes/sceneEdits';
import { ALL_NORMALS, floorScene } from '@ft/core/repatch/floorScene';
import type { Scene, Session } from '@ft/core/session/sessionSchema';
import type { CellReading } from '@ft/core/text/cellReading';
import type { WorkerState } from './worker-state';

/** What can be put on either side of a comparison. */
export type Side = ScenePlace | 'floor' | 'all-normals';

/** A session of another rig that is to be taken over. */
export interface TakeOverWish {
  readonly session: Session;
  readonly theirs: Rig;
  readonly chosen: ChosenCounterparts;
  readonly name: string;
}

/** What stands for what, and what becomes of it. */
export interface TakeOverPreview {
  readonly all: readonly Counterpart[];
  readonly taken: CellReading<TakenOver>;
}

/** What the screens of the scenes and sessions may ask. */
export interface SceneAnswers {
  takeOver(wish: TakeOverWish): TakeOverPreview;
  newScene(name: string, start: SceneStart): NewScene | undefined;
  linesInScenes(wanted: readonly LineInScene[]): readonly Edit[];
  compare(left: Side, right: Side): SceneComparison | undefined;
}

/** Answers about the scenes of the studio last planned. */
export function createSceneAnswers(there: () => WorkerState): SceneAnswers {
  /** The floor and the bare rig are looked at with the threads of the scene they are compared with. */
  const sideOf = (side: Side, other: Side): { session: Session; scene: Scene } | undefined => {
    const { studio, place } = there();
    if (typeof side !== 'string') return findScene(studio, side);
    const beside = findScene(studio, typeof other === 'string' ? place : other);
    if (beside === undefined) return undefined;
    const { name, ...state } = side === 'floor' ? floorScene(studio.floor) : ALL_NORMALS;
    return { session: beside.session, scene: { ...state, id: beside.scene.id, name } };
  };
  return {
    takeOver({ session, theirs, chosen, name }) {
      const { studio } = there();
      const all = counterparts(session, theirs, studio.rig, chosen);
      return { all, taken: takenOver(studio, name, { session, theirs, all }) };
    },
    newScene: (name, start) => newSceneEdits(there().studio, there().place, name, start),
    linesInScenes: (wanted) => threadsInScenesEdits(there().studio, there().place, wanted),
    compare(left, right) {
      const [a, b] = [sideOf(left, right), sideOf(right, left)];
      return a && b && compareScenes(there().studio.rig, a, b);
    },
  };
}

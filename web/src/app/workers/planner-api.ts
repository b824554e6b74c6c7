import type { CheckContext } from '@ft/core/checks/context';
import { checkContext } from '@ft/core/checks/context';
import { checkContextAfter } from '@ft/core/checks/contextAfter';
import type { EntityRef } from '@ft/core/checks/finding';
import { areWaysKnown, withWays, withWaysLater } from '@ft/core/checks/nearestWays';
import type { EditJson } from '@ft/core/edits/editKind';
import { keepSame } from '@ft/core/edits/keepSame';
import type { Choice, ChoiceField } from '@ft/core/plan/choices';
import { choicesFor } from '@ft/core/plan/choices';
import type { FoundPlace } from '@ft/core/plan/find';
import { findPlaces } from '@ft/core/plan/find';
import type { PatchLine } from '@ft/core/plan/patchList';
import { patchList } from '@ft/core/plan/patchList';
import type { Plan } from '@ft/core/plan/plan';
import { planFrom } from '@ft/core/plan/plan';
import type { WayReasons } from '@ft/core/plan/routing/wayReasons';
import { wayReasons } from '@ft/core/plan/routing/wayReasons';
import type { ScenePlace } from '@ft/core/plan/scenePlace';
import { findScene } from '@ft/core/plan/scenePlace';
import type { Strip } from '@ft/core/plan/strip';
import { stripOf } from '@ft/core/plan/strip';
import { addThreadsEdits, changeThreadEdits, removeThreadEdits } from '@ft/core/plan/threadEdits';
import type { TypedThread } from '@ft/core/plan/typedThread';
import { typedThread } from '@ft/core/plan/typedThread';
import type { ThreadId } from '@ft/core/rig/ids';
import type { Rig } from '@ft/core/rig/rigSchema';
import type { Thread } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import type { FloorDesk } from './floor-desk';
import { createFloorDesk } from './floor-desk';
import type { LevelsDesk } from './levels-desk';
import { createLevelsDesk } from './levels-desk';
import type { RigDesk } from './rig-desk';
import { createRigDesk } from './rig-desk';
import type { SceneDesk } from './scene-desk';
import { createSceneDesk } from './scene-desk';
import type { TrackDesk } from './track-desk';
import { createTrackDesk } from './track-desk';

/**
 * A studio on its way to the worker. The rig is large and seldom changes, so it is left out when the
 * worker has it already; its devices then stay the same objects, and what was built of them is kept.
 */
export type SentStudio = Omit<Studio, 'rig'> & { readonly rig?: Rig };

/** A scene planned. */
export interface Planned {
  readonly plan: Plan;
  readonly patchLines: readonly PatchLine[];
  /** False while the ways of threads that do not run are still those of before, or none. */
  readonly isSettled: boolean;
}

/** The state a worker keeps between calls: the scene it last planned. */
export interface Desk {
  readonly studio: Studio;
  readonly place: ScenePlace;
  readonly context: CheckContext;
}

/** What the screen may ask of the core. The screen itself computes nothing. */
export interface PlannerApi extends FloorDesk, LevelsDesk, RigDesk, SceneDesk, TrackDesk {
  /** Takes a scene in and works out its levels; everything else asked is about this scene. */
  prepare(sent: SentStudio, place: ScenePlace): void;
  /** What the screens show of it. Ways for threads that do not run may have to be looked for. */
  plan(): Planned;
  /** Looks for those ways. */
  settle(): Planned;
  strip(ref: EntityRef): Strip | undefined;
  choices(thread: Thread, field: ChoiceField, text: string): readonly Choice[];
  find(text: string): readonly FoundPlace[];
  typed(text: string): TypedThread;
  /** The sides of a wide thread, routed together. */
  addThreads(threads: readonly Thread[]): readonly EditJson[];
  changeThread(id: ThreadId, field: string, value: unknown, was: unknown): readonly EditJson[];
  removeThread(id: ThreadId): readonly EditJson[];
  /** Why a thread goes the way it goes. */
  reasons(id: ThreadId): WayReasons | undefined;
}

/** Whether a scene is the one last planned: only then is there something to start from. */
const samePlace = (desk: Desk | undefined, { session, scene }: ScenePlace): desk is Desk =>
  desk?.place.session === session && desk.place.scene === scene;

const planned = (context: CheckContext): Planned => ({
  plan: planFrom(context),
  patchLines: patchList(context),
  isSettled: areWaysKnown(context),
});

/** The planner: one scene at a time, always the one last planned. */
export function createPlanner(): PlannerApi {
  let desk: Desk | undefined;
  let rig: Rig | undefined;
  const there = (): Desk => {
    if (desk === undefined) throw new Error('nothing is planned yet');
    return desk;
  };
  return {
    ...createFloorDesk(there),
    ...createLevelsDesk(there),
    ...createRigDesk(there),
    ...createSceneDesk(there),
    ...createTrackDesk(there),
    prepare(sent, place) {
      rig = sent.rig ?? rig;
      if (rig === undefined) throw new Error('the first studio sent brings its rig');
      // What came over is another object each time; what is equal is the one known already.
      const others = keepSame(desk?.studio, sent);
      const studio: Studio = { ...others, rig };
      const found = findScene(studio, place);
      if (found === undefined) throw new Error('This scene is gone. Choose another one at the top.');
      const now = [studio.rig, found.session, found.scene, studio.floor] as const;
      const context = samePlace(desk, place) ? checkContextAfter(desk.context, ...now) : checkContext(...now);
      desk = { studio, place, context };
    },
    plan: () => planned(withWaysLater(there().context)),
    settle() {
      const { context, ...rest } = there();
      desk = { ...rest, context: withWays(context) };
      return planned(desk.context);
    },
    // Asked before the checks have run: where the first scene could not be taken in, the plan says why.
    strip: (ref) => desk && stripOf(desk.context, ref),
    choices(thread, field, text) {
      const { rig, session, scene } = there().context;
      return choicesFor(rig, session, scene, thread, field, text);
    },
    find: (text) => findPlaces(there().context, text),
    typed: (text) => typedThread(there().context, text),
    addThreads: (threads) => addThreadsEdits(there().studio, there().place, threads),
    changeThread: (id, field, value, was) =>
      changeThreadEdits(there().studio, there().place, id, field, value, was),
    removeThread: (id) => removeThreadEdits(there().studio, there().place, id),
    reasons(id) {
      const { rig, session, scene } = there().context;
      return wayReasons(rig, session, scene, id);
    },
  };
}

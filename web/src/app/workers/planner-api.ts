import type { CellsEdits } from '@ft/core/actions/cellsEdits';
import type { LineCell } from '@ft/core/actions/track/lineCells';
import { lineCellsEdits } from '@ft/core/actions/track/lineCells';
import type { WorkerState } from './worker-state';
import type { WorkedScene } from '@ft/core/scene/workedScene';
import { workedScene } from '@ft/core/scene/workedScene';
import { workedSceneAfter } from '@ft/core/scene/workedSceneAfter';
import type { EntityRef } from '@ft/core/session/entityRef';
import { areWaysKnown, withWays, withWaysLater } from '@ft/core/scene/nearestWays';
import type { Edit, FieldChange } from '@ft/core/edits/make';
import { keepSame } from '@ft/core/edits/keepSame';
import type { Choice, ChoiceField } from '@ft/core/views/track/choices';
import { choicesFor } from '@ft/core/views/track/choices';
import type { FoundPlace } from '@ft/core/views/find';
import { findPlaces } from '@ft/core/views/find';
import type { PatchLine } from '@ft/core/views/bay/patchList';
import { patchList } from '@ft/core/views/bay/patchList';
import type { Plan } from '@ft/core/views/plan';
import { planFrom } from '@ft/core/views/plan';
import type { WayReasons } from '@ft/core/views/routing/wayReasons';
import { wayReasons } from '@ft/core/views/routing/wayReasons';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import type { Strip } from '@ft/core/views/strip/strip';
import { stripOf } from '@ft/core/views/strip/strip';
import { addThreadsEdits, changeThreadEdits, removeThreadEdits } from '@ft/core/actions/track/threadEdits';
import type { TypedThread } from '@ft/core/typed/thread/typedThread';
import { typedThread } from '@ft/core/typed/thread/typedThread';
import type { ThreadId } from '@ft/core/rig/ids';
import type { Rig } from '@ft/core/rig/rigSchema';
import type { Session, Thread } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import type { ConsoleAnswers } from './console-answers';
import { createConsoleAnswers } from './console-answers';
import type { CueAnswers } from './cue-answers';
import { createCueAnswers } from './cue-answers';
import type { FloorAnswers } from './floor-answers';
import { createFloorAnswers } from './floor-answers';
import type { JobAnswers } from './job-answers';
import { createJobAnswers } from './job-answers';
import type { LevelsAnswers } from './levels-answers';
import { createLevelsAnswers } from './levels-answers';
import type { PlaybackAnswers } from './playback-answers';
import { createPlaybackAnswers } from './playback-answers';
import type { RigAnswers } from './rig-answers';
import { createRigAnswers } from './rig-answers';
import type { SceneAnswers } from './scene-answers';
import { createSceneAnswers } from './scene-answers';
import type { SumAnswers } from './sum-answers';
import { createSumAnswers } from './sum-answers';
import type { TrackAnswers } from './track-answers';
import { createTrackAnswers } from './track-answers';

/** A session on its way to the worker: whole, or by its id where the worker was sent the very same before. */
export type SentSession = Session | { readonly known: Session['id'] };

/**
 * A studio on its way to the worker. The rig is large and seldom changes, and most sessions are not worked in, so
 * what the worker has already is left out; it then stays the same objects, and what was built of them is kept.
 */
export type SentStudio = Omit<Studio, 'rig' | 'sessions'> & {
  readonly rig?: Rig;
  readonly sessions: readonly SentSession[];
};

/** A scene planned. */
export interface Planned {
  readonly plan: Plan;
  readonly patchLines: readonly PatchLine[];
  /** False while the ways of threads that do not run are still those of before, or none. */
  readonly isSettled: boolean;
}

/** What the screen may ask of the core. The screen itself computes nothing. */
export interface PlannerApi
  extends
    ConsoleAnswers,
    CueAnswers,
    FloorAnswers,
    JobAnswers,
    LevelsAnswers,
    PlaybackAnswers,
    RigAnswers,
    SceneAnswers,
    SumAnswers,
    TrackAnswers {
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
  addThreads(threads: readonly Thread[]): readonly Edit[];
  changeThread(id: ThreadId, change: FieldChange<'thread'>): readonly Edit[];
  /** Texts for cells of the input list: pasted, filled down, emptied. */
  lineCells(cells: readonly LineCell[]): CellsEdits;
  removeThread(id: ThreadId): readonly Edit[];
  /** Why a thread goes the way it goes. */
  reasons(id: ThreadId): WayReasons | undefined;
}

/** Whether a scene is the one last planned: only then is there something to start from. */
const samePlace = (state: WorkerState | undefined, { session, scene }: ScenePlace): state is WorkerState =>
  state?.place.session === session && state.place.scene === scene;

const planned = (context: WorkedScene): Planned => ({
  plan: planFrom(context),
  patchLines: patchList(context),
  isSettled: areWaysKnown(context),
});

/** The planner: one scene at a time, always the one last planned. */
// eslint-disable-next-line max-lines-per-function -- a literal table of what can be asked
export function createPlanner(): PlannerApi {
  let state: WorkerState | undefined;
  let rig: Rig | undefined;
  let sessions: readonly Session[] = [];
  const there = (): WorkerState => {
    if (state === undefined) throw new Error('nothing is planned yet');
    return state;
  };
  return {
    ...createConsoleAnswers(there),
    ...createCueAnswers(there),
    ...createFloorAnswers(there),
    ...createJobAnswers(there),
    ...createLevelsAnswers(there),
    ...createPlaybackAnswers(there),
    ...createRigAnswers(there),
    ...createSceneAnswers(there),
    ...createSumAnswers(there),
    ...createTrackAnswers(there),
    prepare(sent, place) {
      rig = sent.rig ?? rig;
      if (rig === undefined) throw new Error('the first studio sent brings its rig');
      const byId = new Map(sessions.map((session) => [session.id, session]));
      const whole = sent.sessions.flatMap((each) => ('known' in each ? (byId.get(each.known) ?? []) : each));
      // What came over is another object each time; what is equal is the one known already.
      const others = keepSame(state?.studio, { ...sent, sessions: whole });
      sessions = others.sessions;
      const studio: Studio = { ...others, rig };
      const found = findScene(studio, place);
      if (found === undefined) throw new Error('This scene is gone. Choose another one at the top.');
      const now = [studio.rig, found.session, found.scene, studio.floor] as const;
      const context = samePlace(state, place) ? workedSceneAfter(state.context, ...now) : workedScene(...now);
      state = { studio, place, context };
    },
    plan: () => planned(withWaysLater(there().context)),
    settle() {
      const { context, ...rest } = there();
      state = { ...rest, context: withWays(context) };
      return planned(state.context);
    },
    // Asked before the checks have run: where the first scene could not be taken in, the plan says why.
    strip: (ref) => state && stripOf(state.context, ref),
    choices(thread, field, text) {
      const { rig, session, scene } = there().context;
      return choicesFor(rig, session, scene, thread, field, text);
    },
    find: (text) => findPlaces(there().context, text),
    typed: (text) => typedThread(there().context, text),
    addThreads: (threads) => addThreadsEdits(there().studio, there().place, threads),
    changeThread: (id, change) => changeThreadEdits(there().studio, there().place, id, change),
    lineCells: (cells) => lineCellsEdits(there().studio, there().place, cells),
    removeThread: (id) => removeThreadEdits(there().studio, there().place, id),
    reasons(id) {
      const { rig, session, scene } = there().context;
      return wayReasons(rig, session, scene, id);
    },
  };
}

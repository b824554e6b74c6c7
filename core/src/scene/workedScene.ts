import { compile } from '../graph/compile';
import type { Net } from '../graph/nets';
import { nets } from '../graph/nets';
import type { SignalGraph } from '../graph/signalGraph';
import type { LevelField } from '../levels/levelField';
import { levelField } from '../levels/levelField';
import { soundSources } from '../levels/soundSources';
import type { ClockPlan } from '../timing/clockPlan';
import { clockPlan } from '../timing/clockPlan';
import type { InsertRoundTrip } from '../timing/insertRoundTrips';
import { insertRoundTrips } from '../timing/insertRoundTrips';
import type { Ladder } from '../levels/ladder';
import { ladder } from '../levels/ladder';
import type { CordId, DeviceId, ThreadId } from '../rig/ids';
import type { Device, Rig } from '../rig/rigSchema';
import type { Realisation } from '../routing/realise';
import { realiseAll } from '../routing/realiseAll';
import type { Floor } from '../session/floorSchema';
import { BARE_FLOOR } from '../session/floorSchema';
import type { Problem } from '../session/problem';
import { indexRig } from '../session/rigIndex';
import { cordBreaks } from '../session/sceneProblems';
import type { Scene, Session } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';
import { threadBreaks } from '../session/threadProblems';
import type { KnownWays } from './knownWays';

/** A thread of the scene, how it runs, and its levels on the way. */
export interface PlannedThread extends Realisation {
  readonly ladder: Ladder;
}

/** Everything a rule may look at: worked out once, shared by all rules. */
export interface WorkedScene {
  readonly rig: Rig;
  readonly devices: ReadonlyMap<DeviceId, Device>;
  readonly session: Session;
  readonly scene: Scene;
  /** What is really plugged just now, whatever the scene wants. */
  readonly floor: Floor;
  readonly graph: SignalGraph;
  readonly threads: readonly PlannedThread[];
  readonly nets: readonly Net[];
  /** What is present everywhere when everything sounds. */
  readonly field: LevelField;
  readonly clocks: ClockPlan;
  readonly insertRoundTrips: readonly InsertRoundTrip[];
  /** What threads and cords of the scene ask of the rig that is not there, by their ids: ids of the rig. */
  readonly gone: ReadonlyMap<ThreadId | CordId, readonly string[]>;
  /** Ways of threads that do not run, where they have been looked for. */
  readonly known?: KnownWays;
}

const idsIn = (problems: readonly Problem[]): readonly string[] =>
  problems.flatMap((problem) => ('id' in problem ? [problem.id] : []));

function goneFrom(rig: Rig, session: Session, scene: Scene): WorkedScene['gone'] {
  const index = indexRig(rig);
  const gone = new Map<ThreadId | CordId, readonly string[]>();
  const note = (id: ThreadId | CordId, problems: readonly Problem[]): void => {
    if (problems.length > 0) gone.set(id, idsIn(problems));
  };
  for (const thread of threadsIn(session, scene)) note(thread.id, threadBreaks(thread, [], index));
  for (const cord of scene.cords) note(cord.id, cordBreaks(cord, [], index));
  return gone;
}

/** Realised threads with their levels. */
export const withLadders = (
  graph: SignalGraph,
  realisations: readonly Realisation[],
): readonly PlannedThread[] =>
  realisations.map((realisation) => {
    const { start, path, thread } = realisation;
    return { ...realisation, ladder: ladder(graph, start, path, thread) };
  });

/** The parts of a context that are cheap to work out, or that nothing can be taken over for. */
export function surroundings(
  rig: Rig,
  session: Session,
  scene: Scene,
  floor: Floor,
  graph: SignalGraph,
  clocks: ClockPlan = clockPlan(rig, session, graph),
): Pick<
  WorkedScene,
  'rig' | 'devices' | 'session' | 'scene' | 'floor' | 'graph' | 'clocks' | 'insertRoundTrips' | 'gone'
> {
  return {
    ...{ rig, session, scene, floor, graph },
    devices: new Map(rig.devices.map((device) => [device.id, device])),
    clocks,
    insertRoundTrips: insertRoundTrips(rig, session, graph),
    gone: goneFrom(rig, session, scene),
  };
}

/** @param floor nothing is plugged where it is left out. */
export function workedScene(
  rig: Rig,
  session: Session,
  scene: Scene,
  floor: Floor = BARE_FLOOR,
): WorkedScene {
  const graph = compile(rig, session, scene);
  return {
    ...surroundings(rig, session, scene, floor, graph),
    threads: withLadders(graph, realiseAll(graph, threadsIn(session, scene))),
    nets: nets(graph),
    field: levelField(graph, soundSources(rig, session, scene, graph)),
  };
}

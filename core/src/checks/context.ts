import { compile } from '../graph/compile';
import type { Net } from '../graph/nets';
import { nets } from '../graph/nets';
import type { SignalGraph } from '../graph/signalGraph';
import type { Ladder } from '../levels/ladder';
import { ladder } from '../levels/ladder';
import type { CordId, ThreadId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
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

/** A thread of the scene, how it runs, and its levels on the way. */
export interface PlannedThread extends Realisation {
  readonly ladder: Ladder;
}

/** Everything a rule may look at: worked out once, shared by all rules. */
export interface CheckContext {
  readonly rig: Rig;
  readonly session: Session;
  readonly scene: Scene;
  /** What is really plugged just now, whatever the scene wants. */
  readonly floor: Floor;
  readonly graph: SignalGraph;
  readonly threads: readonly PlannedThread[];
  readonly nets: readonly Net[];
  /** What threads and cords of the scene ask of the rig that is not there, by their ids: ids of the rig. */
  readonly gone: ReadonlyMap<ThreadId | CordId, readonly string[]>;
}

const idsIn = (problems: readonly Problem[]): readonly string[] =>
  problems.flatMap((problem) => ('id' in problem ? [problem.id] : []));

function goneFrom(rig: Rig, session: Session, scene: Scene): CheckContext['gone'] {
  const index = indexRig(rig);
  const gone = new Map<ThreadId | CordId, readonly string[]>();
  const note = (id: ThreadId | CordId, problems: readonly Problem[]): void => {
    if (problems.length > 0) gone.set(id, idsIn(problems));
  };
  for (const thread of threadsIn(session, scene)) note(thread.id, threadBreaks(thread, [], index));
  for (const cord of scene.cords) note(cord.id, cordBreaks(cord, [], index));
  return gone;
}

/** @param floor nothing is plugged where it is left out. */
export function checkContext(
  rig: Rig,
  session: Session,
  scene: Scene,
  floor: Floor = BARE_FLOOR,
): CheckContext {
  const graph = compile(rig, session, scene);
  const threads = realiseAll(graph, threadsIn(session, scene)).map((realisation) => {
    const { start, path, thread } = realisation;
    return { ...realisation, ladder: ladder(graph, start, path, thread) };
  });
  return {
    rig,
    session,
    scene,
    floor,
    graph,
    threads,
    nets: nets(graph),
    gone: goneFrom(rig, session, scene),
  };
}

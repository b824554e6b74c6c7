import { compile } from '../graph/compile';
import type { Net } from '../graph/nets';
import { nets } from '../graph/nets';
import type { SignalGraph } from '../graph/signalGraph';
import type { Ladder } from '../levels/ladder';
import { ladder } from '../levels/ladder';
import type { Rig } from '../rig/rigSchema';
import type { Realisation } from '../routing/realise';
import { realise } from '../routing/realise';
import type { Scene, Session } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';

/** A thread of the scene, how it runs, and its levels on the way. */
export interface PlannedThread extends Realisation {
  readonly ladder: Ladder;
}

/** Everything a rule may look at: worked out once, shared by all rules. */
export interface CheckContext {
  readonly rig: Rig;
  readonly session: Session;
  readonly scene: Scene;
  readonly graph: SignalGraph;
  readonly threads: readonly PlannedThread[];
  readonly nets: readonly Net[];
}

export function checkContext(rig: Rig, session: Session, scene: Scene): CheckContext {
  const graph = compile(rig, session, scene);
  const threads = threadsIn(session, scene).map((thread) => {
    const realisation = realise(graph, thread);
    return { ...realisation, ladder: ladder(graph, realisation.start, realisation.path, thread) };
  });
  return { rig, session, scene, graph, threads, nets: nets(graph) };
}

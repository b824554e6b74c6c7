import { compile } from '../graph/compile';
import type { SignalGraph } from '../graph/signalGraph';
import type { ThreadId } from '../rig/ids';
import type { CordStock, Rig } from '../rig/rigSchema';
import type { Scene, Session, Thread } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';
import { stocksLeft } from './cordHubs';
import type { Occupancy } from './occupancy';
import { occupancy } from './occupancy';

/** What a thread is routed into: the patch without its own cords, the other threads, the cords left. */
export interface Surroundings {
  readonly graph: SignalGraph;
  readonly occupancy: Occupancy;
  /** Stocks with a cord left on the hook. */
  readonly stocks: readonly CordStock[];
  /** Every stock of the rig, for asking what one more cord would help. */
  readonly everyStock: readonly CordStock[];
  /** The rig with no cord plugged, for asking whose cord is in the way. */
  readonly bare: () => SignalGraph;
  /** For each jack that holds a plug, the thread its cord serves; undefined for one planned by hand. */
  readonly holderOfPlug: ReadonlyMap<number, ThreadId | undefined>;
}

function plugHolders(graph: SignalGraph, scene: Scene): Surroundings['holderOfPlug'] {
  const threadOf = new Map(scene.cords.map((cord) => [cord.id, cord.thread]));
  return new Map([...graph.plugAt].map(([lane, cord]) => [lane, threadOf.get(cord)]));
}

/** The surroundings of a thread in a scene. Its own cords are taken out first. */
export function surroundingsOf(rig: Rig, session: Session, scene: Scene, thread: Thread): Surroundings {
  const others: Scene = { ...scene, cords: scene.cords.filter((cord) => cord.thread !== thread.id) };
  const graph = compile(rig, session, others);
  const active = threadsIn(session, scene).filter((other) => other.id !== thread.id);
  return {
    graph,
    occupancy: occupancy(graph, active),
    stocks: stocksLeft(rig.cords, others.cords),
    everyStock: rig.cords,
    bare: () => compile(rig, session, { ...scene, cords: [] }),
    holderOfPlug: plugHolders(graph, others),
  };
}

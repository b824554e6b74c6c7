import type { Edge, SignalGraph } from '../graph/signalGraph';
import type { ThreadId } from '../rig/ids';
import type { Thread } from '../session/sessionSchema';
import { lanesOnPath, realise } from './realise';

/** Which lanes and normals the other threads of a scene need. */
export interface Occupancy {
  /** Thread that runs through a lane; undefined where it is a cord planned by hand. */
  readonly threadAt: ReadonlyMap<number, ThreadId | undefined>;
  /** Normals that a thread relies on, by edge index. */
  readonly usedNormals: ReadonlyMap<number, ThreadId>;
}

/** What `threads` occupy as the graph stands. */
export function occupancy(graph: SignalGraph, threads: readonly Thread[]): Occupancy {
  const threadAt = new Map<number, ThreadId>();
  const usedNormals = new Map<number, ThreadId>();
  for (const thread of threads) {
    const realisation = realise(graph, thread);
    if (!realisation.complete) continue;
    for (const lane of lanesOnPath(realisation)) threadAt.set(lane, thread.id);
    for (const edge of realisation.path) if (edge.kind === 'normal') usedNormals.set(edge.index, thread.id);
  }
  return { threadAt, usedNormals };
}

/** For each jack the closed normals that a plug in it would open. */
export function normalsByJack(graph: SignalGraph): ReadonlyMap<number, readonly Edge[]> {
  const byJack = new Map<number, Edge[]>();
  for (const edge of graph.edges)
    if (edge.closed)
      for (const jack of edge.openedBy) {
        const list = byJack.get(jack);
        if (list === undefined) byJack.set(jack, [edge]);
        else list.push(edge);
      }
  return byJack;
}

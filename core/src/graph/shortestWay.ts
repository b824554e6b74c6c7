import type { Edge, SignalGraph } from './signalGraph';
import { edgesFrom } from './walk';

/** A way from lane to lane; where it does not arrive, as far as it goes. */
export interface Way {
  readonly path: readonly Edge[];
  readonly arrives: boolean;
}

/**
 * The way of the fewest conducting edges from one lane to another, breadth first.
 * @param follows leaves out edges that shall not count.
 */
export function shortestWay(
  graph: SignalGraph,
  from: number,
  to: number,
  follows: (edge: Edge) => boolean = () => true,
): Way {
  const cameBy = new Map<number, Edge | undefined>([[from, undefined]]);
  let last = from;
  for (const lane of cameBy.keys()) {
    last = lane;
    if (lane === to) break;
    for (const edge of edgesFrom(graph, lane))
      if (!cameBy.has(edge.to) && follows(edge)) cameBy.set(edge.to, edge);
  }
  const path: Edge[] = [];
  for (let edge = cameBy.get(last); edge !== undefined; edge = cameBy.get(edge.from)) path.unshift(edge);
  return { path, arrives: last === to };
}

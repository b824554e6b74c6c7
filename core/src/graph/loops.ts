import type { Edge, SignalGraph } from './signalGraph';
import { shortestWay } from './shortestWay';

/** A way from a lane back to itself, as its edges in signal order. */
export type Loop = readonly Edge[];

/**
 * The loops that edges close: for each the shortest, and each once, however many of its edges lead back.
 * Copper alone makes no loop: nothing in it drives anything.
 * @param closing edges that lead back, as `signalOrder` finds them.
 */
export function loopsOf(graph: SignalGraph, closing: Iterable<number>): readonly Loop[] {
  const found = new Map<string, Loop>();
  for (const index of closing) {
    const edge = graph.edges[index];
    const way = edge && shortestWay(graph, edge.to, edge.from);
    if (edge === undefined || way?.arrives !== true) continue;
    const loop = [edge, ...way.path];
    if (loop.every(({ passive }) => passive)) continue;
    const key = loop
      .map((each) => each.to)
      .sort((a, b) => a - b)
      .join(' ');
    if (!found.has(key)) found.set(key, loop);
  }
  return [...found.values()];
}

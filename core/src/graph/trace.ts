import type { Edge, SignalGraph } from './signalGraph';
import { edgesFrom, edgesInto } from './walk';

export type Direction = 'from' | 'to';

/** A tree of hops: everything a signal reaches, or everything that reaches it. */
export interface Trace {
  readonly start: number;
  /** Lanes in the order they are met, the start first. */
  readonly lanes: readonly number[];
  /** Every conducting edge between lanes of the trace, in the order met. */
  readonly edges: readonly Edge[];
  /** Lanes where the signal splits (or, traced backwards, where several meet). */
  readonly mults: readonly number[];
  /** Lanes where the trace ends. */
  readonly ends: readonly number[];
}

/**
 * Traces a signal forwards (`from`) or backwards (`to`) over every conducting edge, breadth first.
 * Loops are walked once. O(lanes + edges reached).
 */
export function trace(graph: SignalGraph, start: number, direction: Direction): Trace {
  const next = direction === 'from' ? edgesFrom : edgesInto;
  const far = (edge: Edge): number => (direction === 'from' ? edge.to : edge.from);
  const seen = new Set([start]);
  const edges: Edge[] = [];
  const mults: number[] = [];
  const ends: number[] = [];
  for (const lane of seen) {
    const onward = next(graph, lane);
    if (onward.length > 1) mults.push(lane);
    if (onward.length === 0) ends.push(lane);
    for (const edge of onward) {
      edges.push(edge);
      seen.add(far(edge));
    }
  }
  return { start, lanes: [...seen], edges, mults, ends };
}

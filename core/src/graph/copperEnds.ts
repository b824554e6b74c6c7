import { copperFrom } from './nets';
import type { Lane, SignalGraph } from './signalGraph';

/** The connectors with electronics behind them on one piece of copper. */
export interface CopperEnds {
  readonly from: readonly Lane[];
  readonly to: readonly Lane[];
}

/** The electronics on the copper at a lane: what drives it, and everything the same signal goes into. */
export function copperEnds(graph: SignalGraph, lane: number): CopperEnds {
  const upstream = copperFrom(graph, lane, 'to');
  const downstream = new Set(upstream.flatMap((each) => copperFrom(graph, each, 'from')));
  const ends = (lanes: Iterable<number>, direction: 'in' | 'out'): readonly Lane[] =>
    [...lanes].flatMap((index) => {
      const it = graph.lanes[index];
      return it !== undefined && it.medium !== 'any' && it.direction === direction ? [it] : [];
    });
  return { from: ends(upstream, 'out'), to: ends(downstream, 'in') };
}

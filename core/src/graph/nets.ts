import type { SignalGraph } from './signalGraph';
import { reach } from './reach';

/** Everything that hangs on one piece of copper: the lane that drives it and the inputs it feeds. */
export interface Net {
  readonly driver: number;
  /** Lanes reached over passive edges alone, the driver first. */
  readonly lanes: readonly number[];
  /** Lanes of the net that belong to an input with electronics behind it. */
  readonly loads: readonly number[];
}

/** Lanes reached from a lane over conducting copper, in one direction. */
export const copperFrom = (
  graph: SignalGraph,
  start: number,
  direction: 'from' | 'to',
): readonly number[] => [...reach(graph, [start], direction, true)];

const isCopperOnly = (graph: SignalGraph, lane: number): boolean => graph.lanes[lane]?.medium === 'any';

/** The net of an output with electronics behind it. */
export function netDrivenBy(graph: SignalGraph, driver: number): Net {
  const lanes = copperFrom(graph, driver, 'from');
  const loads = lanes.filter((lane) => lane !== driver && !isCopperOnly(graph, lane));
  return { driver, lanes, loads };
}

/** The nets of all outputs with electronics behind them, in lane order. */
export function nets(graph: SignalGraph): readonly Net[] {
  return graph.lanes
    .filter((lane) => lane.direction === 'out' && lane.medium !== 'any' && lane.face !== 'inside')
    .map((lane) => netDrivenBy(graph, lane.index));
}

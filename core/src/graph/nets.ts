import type { SignalGraph } from './signalGraph';
import { reach } from './reach';
import { rigMemo } from './rigMemo';

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
): readonly number[] => [...reach(graph, [start], direction, 'copper')];

const isCopperOnly = (graph: SignalGraph, lane: number): boolean => graph.lanes[lane]?.medium === 'any';

/** The net of an output with electronics behind it. */
export function netDrivenBy(graph: SignalGraph, driver: number): Net {
  const lanes = copperFrom(graph, driver, 'from');
  const loads = lanes.filter((lane) => lane !== driver && !isCopperOnly(graph, lane));
  return { driver, lanes, loads };
}

const drivers = rigMemo(({ lanes }) =>
  lanes
    .filter(({ direction, medium, face }) => direction === 'out' && medium !== 'any' && face !== 'inside')
    .map(({ index }) => index),
);

/** The nets of all outputs with electronics behind them, in lane order. */
export const nets = (graph: SignalGraph): readonly Net[] =>
  drivers(graph).map((driver) => netDrivenBy(graph, driver));

/**
 * The nets after a change.
 * @param before the nets of a graph with the same lanes.
 * @param changed lanes whose copper leads to a change, or led there before it.
 */
export const netsAfter = (
  before: readonly Net[],
  graph: SignalGraph,
  changed: ReadonlySet<number>,
): readonly Net[] => before.map((net) => (changed.has(net.driver) ? netDrivenBy(graph, net.driver) : net));

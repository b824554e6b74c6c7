import { rigMemo } from './rigMemo';
import type { GraphStation, SignalGraph } from './signalGraph';

/** The first station that starts at each lane. */
export const stationStartingAt: (graph: SignalGraph) => ReadonlyMap<number, GraphStation> = rigMemo(
  ({ stations }) => new Map([...stations].reverse().map((station) => [station.in, station])),
);

import type { GraphStation, SignalGraph } from './signalGraph';
import { edgesInto } from './walk';

/** Longer than any way from a connector to the channel that listens to it. */
const MOST_STEPS = 400;

/** The amplifier a lane's sound came through last, as long as it comes one way only. */
export function amplifierBehind(graph: SignalGraph, lane: number): GraphStation | undefined {
  let at = lane;
  for (let step = 0; step < MOST_STEPS; step++) {
    const station = graph.stations[graph.stationEndingAt[at] ?? -1];
    if (station?.role === 'preamp') return station;
    const [edge, other] = edgesInto(graph, at);
    if (edge === undefined || other !== undefined) return undefined;
    at = edge.from;
  }
  return undefined;
}

import type { SignalGraph } from '../graph/signalGraph';

/** What a reader calls the lane a thread starts from: a DAW output by its number, all else by its own name. */
export function sourceName(graph: SignalGraph, lane: number): string | undefined {
  const output = graph.stations.find(({ role, out }) => role === 'daw-output' && out === lane);
  return output?.name ?? graph.lanes[lane]?.name;
}

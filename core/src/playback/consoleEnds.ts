import type { SignalGraph } from '../graph/signalGraph';
import { edgesFrom, edgesInto } from '../graph/walk';
import type { DeviceId } from '../rig/ids';

/**
 * The lanes of a device by which a lane outside is joined to it, by whatever lies between: where a signal that leaves
 * there comes in first, or where one that arrives there leaves last.
 */
export function endsAt(
  graph: SignalGraph,
  start: number,
  direction: 'from' | 'to',
  device: DeviceId,
): readonly number[] {
  const ends: number[] = [];
  const seen = new Set([start]);
  for (const lane of seen) {
    if (graph.lanes[lane]?.device === device) {
      ends.push(lane);
      continue;
    }
    const edges = direction === 'from' ? edgesFrom(graph, lane) : edgesInto(graph, lane);
    for (const { from, to } of edges) seen.add(direction === 'from' ? to : from);
  }
  return ends;
}

import type { LaneId, StationId, ThreadId } from '../rig/ids';
import type { StationRole } from '../rig/deviceModel';
import type { Thread } from '../session/sessionSchema';
import type { Hop, SearchResult } from './searchPath';
import type { Surroundings } from './routeThread';
import { routeThread } from './routeThread';

/** A thread that stands in the way, and where: at a station, or on the copper between two. */
export interface Holder {
  readonly lane: LaneId;
  readonly station?: StationId;
  readonly thread: ThreadId;
}

/** Why a thread cannot be routed. Ids and lanes, no prose. */
export type Obstacle =
  | {
      /** A way exists, but others hold part of it. */
      readonly code: 'held';
      readonly holders: readonly Holder[];
    }
  | { readonly code: 'source-held'; readonly lane: LaneId; readonly thread: ThreadId }
  | {
      /** A way exists, but no cord of its kind is left on the hook. */
      readonly code: 'no-cord-left';
      readonly from: LaneId;
      readonly to: LaneId;
      readonly stock: string;
    }
  | {
      readonly code: 'no-way';
      readonly stopsAt: LaneId;
      readonly role: StationRole;
      readonly station?: StationId;
    };

const lanesOf = (hops: readonly Hop[]): readonly number[] =>
  hops.flatMap((hop) => (hop.kind === 'edge' ? [hop.edge.to] : [hop.from, hop.to]));

/** Who holds lanes of a way: the stations held, or, where only copper is, the first lane of each thread. */
function holdersOn({ graph, occupancy }: Surroundings, lanes: readonly number[]): readonly Holder[] {
  const holders = lanes.flatMap((lane): Holder[] => {
    const thread = occupancy.threadAt.get(lane);
    const id = graph.lanes[lane]?.id;
    if (thread === undefined || id === undefined) return [];
    const station = graph.stations[graph.stationEndingAt[lane] ?? -1]?.id;
    return [{ lane: id, thread, ...(station && { station }) }];
  });
  const atStations = holders.filter((holder) => holder.station !== undefined);
  if (atStations.length > 0) return atStations;
  return holders.filter((holder, i) => holders.findIndex((other) => other.thread === holder.thread) === i);
}

/** Runs the search again with one obstacle lifted at a time, and reports the first whose lifting helps. */
export function diagnose(
  surroundings: Surroundings,
  thread: Thread,
  failure: Extract<SearchResult, { found: false }>,
  everyStock: Surroundings['stocks'],
): Obstacle {
  const { graph, occupancy } = surroundings;
  const laneId = (lane: number): LaneId => graph.lanes[lane]?.id ?? thread.from;
  const sourceHolder = occupancy.threadAt.get(graph.laneIndex.get(thread.from) ?? -1);
  if (sourceHolder !== undefined) return { code: 'source-held', lane: thread.from, thread: sourceHolder };

  const nobodyElse = { threadAt: new Map<number, ThreadId>(), usedNormals: occupancy.usedNormals };
  const alone = routeThread({ ...surroundings, occupancy: nobodyElse }, thread);
  if (alone.found) {
    return { code: 'held', holders: holdersOn(surroundings, lanesOf(alone.hops)) };
  }
  const withCords = routeThread({ ...surroundings, stocks: everyStock }, thread);
  const cord = withCords.found ? withCords.hops.find((hop) => hop.kind === 'cord') : undefined;
  if (cord !== undefined)
    return { code: 'no-cord-left', from: laneId(cord.from), to: laneId(cord.to), stock: cord.stock };
  const { role, station } = failure.missing;
  return { code: 'no-way', stopsAt: laneId(failure.stopsAt), role, ...(station && { station }) };
}

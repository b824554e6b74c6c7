import type { LaneId, StationId, ThreadId } from '../rig/ids';
import type { StationRole } from '../rig/deviceModel';
import type { Thread } from '../session/sessionSchema';
import { ROUTING_COST } from './costs';
import type { Hop, SearchResult } from './searchPath';
import type { SpaceParts } from './routeThread';
import { routeThread } from './routeThread';
import type { Surroundings } from './surroundings';

/**
 * What stands in the way, and where: at a station, or on the copper between two. Without a thread it is
 * a cord that was planned by hand.
 */
export interface Holder {
  readonly lane: LaneId;
  readonly station?: StationId;
  readonly thread?: ThreadId;
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
      /** The last station the thread passes, or its source. */
      readonly from: LaneId;
      readonly role: StationRole;
      readonly station?: StationId;
    };

const lanesOf = (hops: readonly Hop[]): readonly number[] =>
  hops.flatMap((hop) => (hop.kind === 'edge' ? [hop.edge.to] : [hop.from, hop.to]));

/** Who holds lanes of a way: the stations held, or, where only copper is, the first lane of each holder. */
function holdersOn(
  { graph, occupancy, holderOfPlug }: Surroundings,
  lanes: readonly number[],
): readonly Holder[] {
  const holders = lanes.flatMap((lane): Holder[] => {
    const id = graph.lanes[lane]?.id;
    if (id === undefined || !(occupancy.threadAt.has(lane) || holderOfPlug.has(lane))) return [];
    const thread = occupancy.threadAt.get(lane) ?? holderOfPlug.get(lane);
    const station = graph.stations[graph.stationEndingAt[lane] ?? -1]?.id;
    return [{ lane: id, ...(thread && { thread }), ...(station && { station }) }];
  });
  const atStations = holders.filter((holder) => holder.station !== undefined);
  if (atStations.length > 0) return atStations;
  return holders.filter((holder, i) => holders.findIndex((other) => other.thread === holder.thread) === i);
}

/**
 * The way a thread would take if others made room, over as few held places as can be: the rig with no
 * cord in it, where a jack that holds somebody's plug is held like any other place.
 */
function wayWithRoomMade(surroundings: Surroundings, thread: Thread): SearchResult {
  const { occupancy, holderOfPlug } = surroundings;
  const threadAt = new Map<number, ThreadId | undefined>([...holderOfPlug, ...occupancy.threadAt]);
  const parts: SpaceParts = {
    graph: surroundings.bare(),
    occupancy: { threadAt, usedNormals: new Map() },
    stocks: surroundings.everyStock,
  };
  return routeThread(parts, thread, ROUTING_COST.held);
}

/** Runs the search again with one obstacle lifted at a time, and reports the first whose lifting helps. */
export function diagnose(
  surroundings: Surroundings,
  thread: Thread,
  failure: Extract<SearchResult, { found: false }>,
): Obstacle {
  const { graph, occupancy, everyStock } = surroundings;
  const laneId = (lane: number): LaneId => graph.lanes[lane]?.id ?? thread.from;
  const sourceHolder = occupancy.threadAt.get(graph.laneIndex.get(thread.from) ?? -1);
  if (sourceHolder !== undefined) return { code: 'source-held', lane: thread.from, thread: sourceHolder };

  const withCords = routeThread({ ...surroundings, stocks: everyStock }, thread);
  const cord = withCords.found ? withCords.hops.find((hop) => hop.kind === 'cord') : undefined;
  if (cord !== undefined)
    return { code: 'no-cord-left', from: laneId(cord.from), to: laneId(cord.to), stock: cord.stock };

  const cleared = wayWithRoomMade(surroundings, thread);
  const holders = cleared.found ? holdersOn(surroundings, lanesOf(cleared.hops)) : [];
  if (holders.length > 0) return { code: 'held', holders };
  const { role, station } = failure.missing;
  return { code: 'no-way', from: laneId(failure.lastPassed), role, ...(station && { station }) };
}

import type { SignalGraph } from '../graph/signalGraph';
import { edgesFrom } from '../graph/walk';
import type { CordId, LaneId } from '../rig/ids';
import type { Cord, Thread } from '../session/sessionSchema';
import { waypointsOf } from './waypoints';

/** A leg of a thread that does not conduct: from where, and to where, as far as either is known. */
export interface BrokenLeg {
  readonly from?: LaneId;
  readonly to?: LaneId;
}

/** Lanes a signal reaches from one of them without a cord of its own thread: to the end of its leg. */
function legFrom(graph: SignalGraph, start: number, ownCords: ReadonlySet<CordId>): ReadonlySet<number> {
  const seen = new Set([start]);
  for (const lane of seen)
    for (const edge of edgesFrom(graph, lane))
      if (edge.track === undefined && (edge.cord === undefined || !ownCords.has(edge.cord)))
        seen.add(edge.to);
  return seen;
}

/**
 * The legs of a thread that do not conduct, each looked at by itself: a cord whose jack is gone or faulty,
 * a place from which no next cord and no end is reached, a cord that nothing arrives at. Legs that still
 * conduct are not among them, wherever on the thread they lie. A thread that was never patched has none.
 */
export function brokenLegs(graph: SignalGraph, thread: Thread, cords: readonly Cord[]): readonly BrokenLeg[] {
  const own = cords.filter((cord) => cord.thread === thread.id);
  if (own.length === 0) return [];
  const laneOf = (id: LaneId): number | undefined => {
    const lane = graph.laneIndex.get(id);
    return lane === undefined || graph.faulty.has(lane) ? undefined : lane;
  };
  const isWhole = ({ from, to }: Cord): boolean => laneOf(from) !== undefined && laneOf(to) !== undefined;
  const whole = own.filter(isWhole);
  const ids = new Set(own.map(({ id }) => id));
  const ends = waypointsOf(graph, thread).at(-1)?.lanes ?? new Set<number>();
  const fed = new Set<number>();
  const leadsNowhere: LaneId[] = [];
  for (const start of [thread.from, ...whole.map(({ to }) => to)]) {
    const lane = laneOf(start);
    const reached = lane === undefined ? new Set<number>() : legFrom(graph, lane, ids);
    const next = own.filter(({ from }) => reached.has(graph.laneIndex.get(from) ?? -1));
    for (const { from } of next) fed.add(graph.laneIndex.get(from) ?? -1);
    if (next.length === 0 && ![...ends].some((end) => reached.has(end))) leadsNowhere.push(start);
  }
  const unfed = whole.filter(({ from }) => !fed.has(laneOf(from) ?? -1)).map(({ from }) => from);
  const between = Array.from({ length: Math.max(leadsNowhere.length, unfed.length) }, (_, i): BrokenLeg => {
    const [from, to] = [leadsNowhere[i], unfed[i]];
    return { ...(from !== undefined && { from }), ...(to !== undefined && { to }) };
  });
  return [...own.filter((cord) => !isWhole(cord)).map(({ from, to }) => ({ from, to })), ...between];
}

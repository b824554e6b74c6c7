import type { RoutingSpace } from '../space/routingSpace';
import { NONE } from '../space/routingSpace';
import { MinHeap } from '../minHeap';
import type { Goal } from './demand';

/**
 * Least points from any node to a goal, never too high: exact from where the goal is reached without a
 * new cord, and elsewhere what the cheapest cord to there costs.
 */
export interface Bound {
  /** By node: lanes, hubs, entries. */
  readonly points: Float64Array;
}

/** Arcs by the lane they reach. */
export interface Backward {
  readonly start: Int32Array;
  readonly arc: Int32Array;
}

export function backwardArcs({ arcs, graph }: RoutingSpace): Backward {
  const start = new Int32Array(graph.lanes.length + 1);
  for (const lane of arcs.to) start[lane + 1] = (start[lane + 1] ?? 0) + 1;
  for (let lane = 0; lane < graph.lanes.length; lane++)
    start[lane + 1] = (start[lane + 1] ?? 0) + (start[lane] ?? 0);
  const next = start.slice();
  const arc = new Int32Array(arcs.to.length);
  arcs.to.forEach((lane, index) => {
    const slot = next[lane] ?? 0;
    arc[slot] = index;
    next[lane] = slot + 1;
  });
  return { start, arc };
}

/** Exact points to the goal over lanes alone. */
function withoutCords(space: RoutingSpace, backward: Backward, goal: Goal): ReadonlyMap<number, number> {
  const best = new Map<number, number>();
  const heap = new MinHeap();
  const reach = (lane: number, points: number): void => {
    if (points >= (best.get(lane) ?? Infinity)) return;
    best.set(lane, points);
    heap.push(lane, points);
  };
  for (const lane of goal.lanes) reach(lane, 0);
  while (heap.size > 0) {
    const { state: lane, cost } = heap.pop();
    if (cost > (best.get(lane) ?? Infinity)) continue;
    const end = backward.start[lane + 1] ?? 0;
    for (let i = backward.start[lane] ?? 0; i < end; i++) {
      const arc = backward.arc[i] ?? NONE;
      reach(space.arcs.from[arc] ?? NONE, cost + (space.arcs.cost[arc] ?? 0));
    }
  }
  return best;
}

export function boundTo(space: RoutingSpace, backward: Backward, goal: Goal): Bound {
  const lanes = space.graph.lanes.length;
  const known = withoutCords(space, backward, goal);
  const entries = space.entries.map((jacks) =>
    jacks.reduce((least, jack) => {
      const onward = known.get(jack);
      return onward === undefined ? least : Math.min(least, onward + (space.plugCost[jack] ?? 0));
    }, Infinity),
  );
  // Ways that need more than one cord enter a room's jacks elsewhere first, at no less than the least of all.
  const leastEntry = entries.reduce((a, b) => Math.min(a, b), Infinity);
  const leastLead = space.hubs.reduce((least, { costs }) => Math.min(least, costs[0] ?? Infinity), Infinity);
  const far = leastEntry + leastLead;
  const points = new Float64Array(lanes + space.hubs.length + entries.length).fill(far);
  for (const [lane, exact] of known) points[lane] = Math.min(exact, far);
  space.hubs.forEach(({ costs, entry }, i) => {
    points[lanes + i] = Math.min(far, entries[entry] ?? Infinity) + (costs[0] ?? 0);
  });
  entries.forEach((least, i) => (points[lanes + space.hubs.length + i] = Math.min(far, least)));
  return { points };
}

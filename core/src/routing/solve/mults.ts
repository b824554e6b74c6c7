import type { RoutingSpace } from '../space/routingSpace';
import { ANY_MEDIUM } from '../space/routingSpace';
import type { Goal } from './demand';

const known = new WeakMap<RoutingSpace, Goal>();

/** Places from which copper leads to several free output jacks: mults and parallel columns. */
export function multsOf(space: RoutingSpace): Goal {
  const before = known.get(space);
  if (before !== undefined) return before;
  const { arcs, hubsFrom, graph } = space;
  const lanes = new Set<number>();
  for (let lane = 0; lane < graph.lanes.length; lane++) {
    let jacks = 0;
    for (let arc = arcs.start[lane] ?? 0; arc < (arcs.start[lane + 1] ?? 0); arc++)
      if (arcs.signal[arc] === ANY_MEDIUM && (hubsFrom[arcs.to[arc] ?? -1] ?? []).length > 0) jacks++;
    if (jacks > 1) lanes.add(lane);
  }
  const goal = { lanes };
  known.set(space, goal);
  return goal;
}

import type { Edge } from '../graph/signalGraph';
import type { Thread } from '../session/sessionSchema';
import { cordHubs } from './cordHubs';
import { ROUTING_COST } from './costs';
import type { Occupancy } from './occupancy';
import { normalsByJack } from './occupancy';
import type { SearchResult } from './searchPath';
import { searchPath } from './searchPath';
import type { SearchSpace } from './searchSpace';
import type { Surroundings } from './surroundings';
import { waypointsOf } from './waypoints';

/** The part of its surroundings a search looks at. */
export type SpaceParts = Pick<Surroundings, 'graph' | 'occupancy' | 'stocks'>;

function edgeCost(edge: Edge, occupancy: Occupancy, heldCost: number): number {
  if (!edge.closed || edge.track !== undefined) return Infinity;
  const held = occupancy.threadAt.has(edge.to) ? heldCost : 0;
  return held + ROUTING_COST.hop + (edge.kind === 'tieLine' ? ROUTING_COST.tieLine : 0);
}

/**
 * The space in which a thread may be routed: conducting edges, free jacks, and cords on the hook.
 * @param heldCost cost of running over a place another thread holds: never, unless one asks who is in the way.
 */
export function spaceAround({ graph, occupancy, stocks }: SpaceParts, heldCost = Infinity): SearchSpace {
  const normals = normalsByJack(graph);
  const breaking = (edge: Edge): number =>
    occupancy.usedNormals.has(edge.index) ? ROUTING_COST.breakUsedNormal : ROUTING_COST.breakIdleNormal;
  const plugCost = (lane: number): number => {
    const held = occupancy.threadAt.has(lane) ? heldCost : 0;
    return (normals.get(lane) ?? []).reduce((sum, edge) => sum + breaking(edge), held);
  };
  return {
    graph,
    edgeCost: (edge) => edgeCost(edge, occupancy, heldCost),
    plugCost,
    ...cordHubs(graph, stocks),
  };
}

/** The cheapest way for one thread, everything else staying where it is. */
export function routeThread(surroundings: SpaceParts, thread: Thread, heldCost?: number): SearchResult {
  const { graph } = surroundings;
  const start = graph.laneIndex.get(thread.from) ?? -1;
  return searchPath(spaceAround(surroundings, heldCost), start, waypointsOf(graph, thread));
}

import type { RoutingSpace } from '../space/routingSpace';
import { NONE } from '../space/routingSpace';
import { MinHeap } from '../minHeap';
import type { Goal } from './demand';

/**
 * Least points from any node to a goal, whatever others hold and whatever the signal: never too high, and
 * exact where nobody is in the way.
 */
export interface Bound {
  /** By node: lanes, hubs, entries. */
  readonly points: Float64Array;
  /** For each entry its jacks from which the goal can be reached, those nearest to it first. */
  readonly nearest: (entry: number) => NearestJacks;
}

export interface NearestJacks {
  readonly jacks: Int32Array;
  /** Points from the entry by each of them to the goal, plug included. */
  readonly points: Float64Array;
}

/** What the bounds to all goals of a space have in common. */
export interface Terrain {
  /** Arcs by the lane they reach. */
  readonly start: Int32Array;
  readonly arc: Int32Array;
  /** For each hub: points from a lane to it without a cord before. Lanes that cannot are left out. */
  readonly toHub: readonly ReadonlyMap<number, number>[];
  /** For each entry and hub: least points from the jacks of the entry to the hub, plug included. */
  readonly across: readonly (readonly number[])[];
}

type Reach = ReadonlyMap<number, number>;

function backwardArcs({ arcs, graph }: RoutingSpace): Pick<Terrain, 'start' | 'arc'> {
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

/** Exact points to given lanes over arcs alone, without a new cord. */
function reachOf(
  space: RoutingSpace,
  { start, arc }: Pick<Terrain, 'start' | 'arc'>,
  ends: Iterable<readonly [lane: number, points: number]>,
): Reach {
  const best = new Map<number, number>();
  const heap = new MinHeap();
  const reach = (lane: number, points: number): void => {
    if (points >= (best.get(lane) ?? Infinity)) return;
    best.set(lane, points);
    heap.push(lane, points);
  };
  for (const [lane, points] of ends) reach(lane, points);
  while (heap.size > 0) {
    const lane = heap.pop();
    const cost = heap.lastCost;
    if (cost > (best.get(lane) ?? Infinity)) continue;
    const end = start[lane + 1] ?? 0;
    for (let i = start[lane] ?? 0; i < end; i++) {
      const index = arc[i] ?? NONE;
      reach(space.arcs.from[index] ?? NONE, cost + (space.arcs.cost[index] ?? 0));
    }
  }
  return best;
}

/** Least points from the jacks of an entry on, plug included. */
const leastInto = (space: RoutingSpace, jacks: Int32Array, onward: Reach): number =>
  jacks.reduce((least, jack) => {
    const points = onward.get(jack);
    return points === undefined ? least : Math.min(least, points + (space.plugCost[jack] ?? 0));
  }, Infinity);

const known = new WeakMap<RoutingSpace, Terrain>();

/** Worked out once for a space. */
export function terrainOf(space: RoutingSpace): Terrain {
  const before = known.get(space);
  if (before !== undefined) return before;
  const backward = backwardArcs(space);
  const jacksOf: [number, number][][] = space.hubs.map(() => []);
  space.hubsFrom.forEach((hubs, jack) => {
    for (const hub of hubs) jacksOf[hub]?.push([jack, space.plugCost[jack] ?? 0]);
  });
  const toHub = jacksOf.map((jacks) => reachOf(space, backward, jacks));
  const across = space.entries.map((jacks) => toHub.map((reach) => leastInto(space, jacks, reach)));
  const terrain = { ...backward, toHub, across };
  known.set(space, terrain);
  return terrain;
}

/**
 * Least points to the goal by as many cords as it takes: from where a cord is chosen, the cord included, by hub;
 * and from where its other end is, by entry.
 */
function beyondCords(
  space: RoutingSpace,
  { across }: Terrain,
  onward: Reach,
): { readonly hubs: readonly number[]; readonly entries: readonly number[] } {
  const entries = space.entries.map((jacks) => leastInto(space, jacks, onward));
  const viaHub = (hub: number): number => {
    const { costs, entry } = space.hubs[hub] ?? { costs: [], entry: NONE };
    return (costs[0] ?? Infinity) + (entries[entry] ?? Infinity);
  };
  for (let changed = true; changed;) {
    changed = false;
    entries.forEach((least, entry) => {
      across[entry]?.forEach((points, hub) => {
        const through = points + viaHub(hub);
        if (through >= (entries[entry] ?? least)) return;
        entries[entry] = through;
        changed = true;
      });
    });
  }
  return { hubs: [...space.hubs.keys()].map(viaHub), entries };
}

export function boundTo(space: RoutingSpace, terrain: Terrain, goal: Goal): Bound {
  const lanes = space.graph.lanes.length;
  const onward = reachOf(
    space,
    terrain,
    [...goal.lanes].map((lane) => [lane, 0] as const),
  );
  const { hubs, entries } = beyondCords(space, terrain, onward);
  const points = new Float64Array(lanes + hubs.length + entries.length).fill(Infinity);
  terrain.toHub.forEach((reach, hub) => {
    const rest = hubs[hub] ?? Infinity;
    for (const [lane, to] of reach) if (to + rest < (points[lane] ?? 0)) points[lane] = to + rest;
  });
  for (const [lane, exact] of onward) if (exact < (points[lane] ?? 0)) points[lane] = exact;
  // A state at a hub has paid for its cord.
  points.set(
    space.hubs.map(({ entry }) => entries[entry] ?? Infinity),
    lanes,
  );
  points.set(entries, lanes + hubs.length);
  const sorted: NearestJacks[] = [];
  return { points, nearest: (entry) => (sorted[entry] ??= nearestOf(space, entry, points)) };
}

function nearestOf(space: RoutingSpace, entry: number, points: Float64Array): NearestJacks {
  const by = (jack: number): number => (points[jack] ?? Infinity) + (space.plugCost[jack] ?? 0);
  const reaching = [...(space.entries[entry] ?? [])].filter((jack) => by(jack) < Infinity);
  const jacks = Int32Array.from(reaching.sort((a, b) => by(a) - by(b) || a - b));
  return { jacks, points: Float64Array.from(jacks, by) };
}

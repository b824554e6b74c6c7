import type { Edge } from '../graph/signalGraph';
import type { StockId } from '../rig/ids';
import { MEDIA } from '../rig/medium';
import type { Medium } from '../rig/medium';
import { MinHeap } from './minHeap';
import { NONE, SearchLedger } from './searchLedger';
import type { SearchSpace } from './searchSpace';
import type { Waypoint } from './waypoints';

export type Hop =
  | { readonly kind: 'edge'; readonly edge: Edge }
  | { readonly kind: 'cord'; readonly from: number; readonly to: number; readonly stock: StockId };

export type SearchResult =
  | { readonly found: true; readonly hops: readonly Hop[]; readonly cost: number }
  | {
      readonly found: false;
      /** The way to the furthest place reached. */
      readonly hops: readonly Hop[];
      readonly stopsAt: number;
      /** The last waypoint passed on the way there, or the start. */
      readonly lastPassed: number;
      /** The waypoint that could not be reached from there. */
      readonly missing: Waypoint;
    };

const MEDIUM_COUNT = MEDIA.length;
const MEDIUM_NUMBER = new Map<Medium, number>(MEDIA.map((medium, index) => [medium, index]));
const ANY = MEDIUM_NUMBER.get('any') ?? 0;
/** One search runs at a time, so all share one ledger. */
const ledger = new SearchLedger();

/**
 * One run of the path search. A state is (waypoints passed, what kind of signal, lane or hub), packed
 * into an integer; hubs are numbered after the lanes.
 */
class Search {
  private readonly laneCount: number;
  private readonly width: number;
  private readonly layerSize: number;
  private readonly heap = new MinHeap();

  constructor(
    private readonly space: SearchSpace,
    private readonly waypoints: readonly Waypoint[],
  ) {
    this.laneCount = space.graph.lanes.length;
    this.width = this.laneCount + space.hubs.length;
    this.layerSize = this.width * MEDIUM_COUNT;
    ledger.begin(this.layerSize * (waypoints.length + 1));
  }

  run(start: number): SearchResult {
    this.arrive(start, this.mediumAt(start), 0, 0, NONE, NONE);
    let furthest = NONE;
    while (this.heap.size > 0) {
      const { state, cost: total } = this.heap.pop();
      if (total > ledger.cost(state)) continue;
      const layer = this.layerOf(state);
      if (layer === this.waypoints.length) return { found: true, hops: this.hopsTo(state), cost: total };
      const place = state % this.width;
      if (place >= this.laneCount) this.leaveHub(place - this.laneCount, state, total);
      else {
        // States come out cheapest first, so the last one of the highest layer is the furthest end.
        if (furthest === NONE || layer >= this.layerOf(furthest)) furthest = state;
        this.leaveLane(place, state, total);
      }
    }
    return this.failure(start, furthest);
  }

  private failure(start: number, furthest: number): SearchResult {
    const missing = this.waypoints[furthest === NONE ? 0 : this.layerOf(furthest)];
    if (missing === undefined) throw new Error('a search needs a waypoint');
    const stopsAt = furthest === NONE ? start : furthest % this.width;
    return {
      found: false,
      hops: this.hopsTo(furthest),
      stopsAt,
      lastPassed: this.lastPassed(start, furthest),
      missing,
    };
  }

  /** Where the layer of a state was entered. */
  private lastPassed(start: number, end: number): number {
    if (end === NONE) return start;
    let state = end;
    for (;;) {
      const before = ledger.from(state);
      if (before === NONE || this.layerOf(before) !== this.layerOf(end)) return state % this.width;
      state = before;
    }
  }

  private leaveLane(lane: number, state: number, total: number): void {
    const { graph, hubs, hubsFrom, plugCost, edgeCost } = this.space;
    const layer = this.layerOf(state);
    const signal = this.signalOf(state);
    const end = graph.outgoing.start[lane + 1] ?? 0;
    for (let i = graph.outgoing.start[lane] ?? 0; i < end; i++) {
      const edge = graph.edges[graph.outgoing.edge[i] ?? NONE];
      if (edge === undefined || !this.mayPass(edge, layer)) continue;
      this.arrive(edge.to, this.signalAfter(edge, signal), layer, total + edgeCost(edge), state, edge.index);
    }
    for (const hub of hubsFrom(lane)) {
      const plugged = total + plugCost(lane) + (hubs[hub]?.costPerCord ?? Infinity);
      this.relax(this.pack(layer, signal, this.laneCount + hub), plugged, state, NONE);
    }
  }

  private leaveHub(hub: number, state: number, total: number): void {
    const layer = this.layerOf(state);
    const signal = this.signalOf(state);
    for (const lane of this.space.hubs[hub]?.inputs ?? [])
      this.arrive(lane, signal, layer, total + this.space.plugCost(lane), state, NONE);
  }

  /** Enters a lane where the signal suits it, and passes the next waypoint where the lane is one. */
  private arrive(lane: number, signal: number, layer: number, total: number, from: number, by: number): void {
    const own = this.mediumAt(lane);
    if (own !== ANY && own !== signal) return;
    const passed = this.waypoints[layer]?.lanes.has(lane) === true ? layer + 1 : layer;
    this.relax(this.pack(passed, signal, lane), total, from, by);
  }

  private relax(state: number, total: number, from: number, by: number): void {
    if (total >= ledger.cost(state)) return;
    ledger.write(state, total, from, by);
    this.heap.push(state, total);
  }

  /** A processor changes the sound, so it is passed only where it is asked for next. */
  private mayPass(edge: Edge, layer: number): boolean {
    const { graph } = this.space;
    const station = graph.stations[graph.stationEndingAt[edge.to] ?? NONE];
    if (station?.in !== edge.from || station.role !== 'processor') return true;
    return this.waypoints[layer]?.lanes.has(edge.to) === true;
  }

  /** Electronics set the kind of signal at their output; copper passes on what it has. */
  private signalAfter(edge: Edge, signal: number): number {
    const own = this.mediumAt(edge.to);
    return edge.passive || own === ANY ? signal : own;
  }

  private hopsTo(end: number): readonly Hop[] {
    const hops: Hop[] = [];
    for (let state = end; state !== NONE; state = ledger.from(state)) {
      const hop = this.lastHop(state);
      if (hop !== undefined) hops.push(hop);
    }
    return hops.reverse();
  }

  private lastHop(state: number): Hop | undefined {
    const edge = this.space.graph.edges[ledger.by(state)];
    if (edge !== undefined) return { kind: 'edge', edge };
    const before = ledger.from(state);
    const hub = before === NONE ? undefined : this.space.hubs[(before % this.width) - this.laneCount];
    if (hub === undefined) return undefined;
    const from = ledger.from(before) % this.width;
    return { kind: 'cord', from, to: state % this.width, stock: hub.stock };
  }

  private mediumAt(lane: number): number {
    return MEDIUM_NUMBER.get(this.space.graph.lanes[lane]?.medium ?? 'any') ?? ANY;
  }

  private pack(layer: number, signal: number, place: number): number {
    return layer * this.layerSize + signal * this.width + place;
  }

  private layerOf(state: number): number {
    return Math.floor(state / this.layerSize);
  }

  private signalOf(state: number): number {
    return Math.floor((state % this.layerSize) / this.width);
  }
}

/**
 * Cheapest way from a lane past all waypoints in order (Dijkstra). The kind of signal is part of the
 * state because copper takes anything while the input at its far end does not. Deterministic for
 * equal input: equal costs are settled in state order.
 */
export function searchPath(space: SearchSpace, start: number, waypoints: readonly Waypoint[]): SearchResult {
  const [missing] = waypoints;
  // The rig may have lost the source; from nowhere nothing is reached.
  if (start < 0 && missing !== undefined)
    return { found: false, hops: [], stopsAt: start, lastPassed: start, missing };
  return new Search(space, waypoints).run(start);
}

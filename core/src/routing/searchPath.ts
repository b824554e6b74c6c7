import type { Edge, SignalGraph } from '../graph/signalGraph';
import { MEDIA } from '../rig/medium';
import type { Medium } from '../rig/medium';
import { MinHeap } from './minHeap';
import { NONE, SearchLedger } from './searchLedger';
import type { Waypoint } from './waypoints';

export type SearchResult =
  | { readonly found: true; readonly path: readonly Edge[] }
  | {
      readonly found: false;
      /** The way to the furthest place reached. */
      readonly path: readonly Edge[];
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
 * One run of the path search. A state is (waypoints passed, what kind of signal, lane), packed into
 * an integer.
 */
class Search {
  private readonly width: number;
  private readonly layerSize: number;
  private readonly heap = new MinHeap();

  constructor(
    private readonly graph: SignalGraph,
    private readonly conducts: (edge: Edge) => boolean,
    private readonly waypoints: readonly Waypoint[],
  ) {
    this.width = graph.lanes.length;
    this.layerSize = this.width * MEDIUM_COUNT;
    ledger.begin(this.layerSize * (waypoints.length + 1));
  }

  run(start: number): SearchResult {
    this.arrive(start, this.mediumAt(start), 0, 0, NONE, NONE);
    let furthest = NONE;
    while (this.heap.size > 0) {
      const state = this.heap.pop();
      const total = this.heap.lastCost;
      if (total > ledger.cost(state)) continue;
      const layer = this.layerOf(state);
      if (layer === this.waypoints.length) return { found: true, path: this.pathTo(state) };
      // States come out cheapest first, so the last one of the highest layer is the furthest end.
      if (furthest === NONE || layer >= this.layerOf(furthest)) furthest = state;
      this.leave(state % this.width, state, total);
    }
    return this.failure(start, furthest);
  }

  private failure(start: number, furthest: number): SearchResult {
    const missing = this.waypoints[furthest === NONE ? 0 : this.layerOf(furthest)];
    if (missing === undefined) throw new Error('a search needs a waypoint');
    const stopsAt = furthest === NONE ? start : furthest % this.width;
    return {
      found: false,
      path: this.pathTo(furthest),
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

  private leave(lane: number, state: number, total: number): void {
    const { outgoing, edges } = this.graph;
    const layer = this.layerOf(state);
    const signal = this.signalOf(state);
    const end = outgoing.start[lane + 1] ?? 0;
    for (let i = outgoing.start[lane] ?? 0; i < end; i++) {
      const edge = edges[outgoing.edge[i] ?? NONE];
      if (edge === undefined || !this.conducts(edge) || !this.mayPass(edge, layer)) continue;
      this.arrive(edge.to, this.signalAfter(edge, signal), layer, total + 1, state, edge.index);
    }
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
    const { graph } = this;
    const station = graph.stations[graph.stationEndingAt[edge.to] ?? NONE];
    if (station?.in !== edge.from || station.role !== 'processor') return true;
    return this.waypoints[layer]?.lanes.has(edge.to) === true;
  }

  /** Electronics set the kind of signal at their output; copper passes on what it has. */
  private signalAfter(edge: Edge, signal: number): number {
    const own = this.mediumAt(edge.to);
    return edge.passive || own === ANY ? signal : own;
  }

  private pathTo(end: number): readonly Edge[] {
    const path: Edge[] = [];
    for (let state = end; state !== NONE; state = ledger.from(state)) {
      const edge = this.graph.edges[ledger.by(state)];
      if (edge !== undefined) path.push(edge);
    }
    return path.reverse();
  }

  private mediumAt(lane: number): number {
    return MEDIUM_NUMBER.get(this.graph.lanes[lane]?.medium ?? 'any') ?? ANY;
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
 * Shortest way from a lane past all waypoints in order over the edges that conduct (Dijkstra). The kind of
 * signal is part of the state because copper takes anything while the input at its far end does not.
 * Deterministic for equal input: equal lengths are settled in state order.
 */
export function searchPath(
  graph: SignalGraph,
  conducts: (edge: Edge) => boolean,
  start: number,
  waypoints: readonly Waypoint[],
): SearchResult {
  const [missing] = waypoints;
  // The rig may have lost the source; from nowhere nothing is reached.
  if (start < 0 && missing !== undefined)
    return { found: false, path: [], stopsAt: start, lastPassed: start, missing };
  return new Search(graph, conducts, waypoints).run(start);
}

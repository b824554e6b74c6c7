import { HOP_POINTS } from '../costs';
import { MinHeap } from '../minHeap';
import type { SearchLedger } from '../searchLedger';
import { NONE as NO_STATE } from '../searchLedger';
import type { RoutingSpace, Step } from '../space/routingSpace';
import { ANY_MEDIUM, NONE } from '../space/routingSpace';
import type { Bound } from './bounds';
import type { ClaimTable } from './claimTable';
import type { Demand } from './demand';
import type { CordStep } from './mateCords';
import type { SearchPrices } from './searchPrices';
import type { StateShape } from './stateShape';
import { MATE, stepsBack } from './stepsBack';
import type { Terms } from './terms';
import { CLOSED, cordValue, endResource, knobResource, normalResource, plugResource } from './way';

/**
 * A way of the same source costs nothing to share, up to its very end: that one conflict has to count for
 * more than what going another way costs.
 */
const MATE_END = 16;
/** The other end of a cord that is not known yet: no lane. */
const NO_JACK = -1;

/** Points from a node to the next goal, and from there past all later ones, at least. */
export interface LayerBound extends Bound {
  readonly rest: number;
}

/** What a search is given: the space with its claims, and what is looked for on which terms. */
export interface SearchTask {
  readonly space: RoutingSpace;
  readonly table: ClaimTable;
  readonly shape: StateShape;
  readonly ledger: SearchLedger;
  readonly demand: Demand;
  readonly terms: Terms;
  readonly prices: SearchPrices;
  readonly bounds: readonly LayerBound[];
  /** Cords of the ways that may be shared, by the jack they leave, and where those ways end. */
  readonly mateCords: ReadonlyMap<number, CordStep>;
  readonly mateEnds: ReadonlySet<number>;
}

/** The cheapest way to an end: its steps, and its points with what conflicts cost on the terms of the search. */
export interface FoundEnd {
  readonly end: number;
  readonly price: number;
  readonly steps: readonly Step[];
}

/**
 * One search (A*). A state is (goals passed, kind of signal, node); nodes are lanes, then hubs, where a
 * kind of cord is chosen, then entries, where the jack it goes into is.
 */
export class WaySearch {
  private readonly heap = new MinHeap();
  /** Where the jacks of an entry have got to. */
  private readonly cursor = new Map<number, number>();
  private readonly isShared: boolean;
  private readonly below: number;
  private readonly ended = new Set<number>();
  private hasBegun = false;
  /** States taken up: what the work was. */
  settled = 0;

  constructor(private readonly task: SearchTask) {
    this.isShared = task.mateEnds.size > 0;
    this.below = task.terms.below ?? Infinity;
  }

  /** Begins at the source. */
  private begin(): void {
    const { demand, space, shape, ledger, prices } = this.task;
    ledger.begin(shape.layerSize * (demand.goals.length + 1));
    const signal = space.laneMedium[demand.start] ?? ANY_MEDIUM;
    const atStart = prices.of(demand.start, space.arcs.to.length + shape.lanes);
    this.arrive(demand.start, signal, 0, atStart, NO_STATE, NONE);
    this.hasBegun = true;
  }

  /** The cheapest way to an end it has not come to before, or undefined where there is none. */
  next(): FoundEnd | undefined {
    if (!this.hasBegun) this.begin();
    const { heap, task, ended } = this;
    const { demand, shape, ledger } = task;
    const { lanes, hubsEnd, width, layerSize } = shape;
    while (heap.size > 0) {
      const state = heap.pop();
      const key = heap.lastCost;
      const layer = Math.floor(state / layerSize);
      const node = state % width;
      if (node >= hubsEnd) {
        this.leaveEntry(state, layer, node);
        continue;
      }
      const total = ledger.cost(state);
      if (key > total + this.onward(layer, node)) continue;
      this.settled++;
      if (layer === demand.goals.length) {
        if (ended.has(node)) continue;
        ended.add(node);
        return { end: node, price: total, steps: stepsBack(task, state) };
      }
      if (node < lanes) this.leaveLane(state, layer, node, total);
      else this.leaveHub(state, layer, node, total);
    }
    return undefined;
  }

  /** Points from a node to the end, at least. With ways to share nothing is known beforehand. */
  private onward(layer: number, node: number): number {
    const bound = this.task.bounds[layer];
    return bound === undefined || this.isShared ? 0 : (bound.points[node] ?? 0) + bound.rest;
  }

  private relax(state: number, layer: number, node: number, cost: number, from: number, by: number): void {
    const { ledger, shape } = this.task;
    if (!(cost < ledger.cost(state))) return;
    const onward = this.onward(layer, node);
    if (!(cost + onward < this.below)) return;
    ledger.write(state, cost, from, by);
    if (node >= shape.hubsEnd) this.cursor.delete(state);
    this.heap.push(state, cost + onward);
  }

  /** Comes to a lane, and past a goal where it is one. */
  private arrive(lane: number, signal: number, layer: number, cost: number, from: number, by: number): void {
    const { space, demand, terms, prices, mateEnds, shape } = this.task;
    const own = space.laneMedium[lane] ?? ANY_MEDIUM;
    if (own !== ANY_MEDIUM && own !== signal) return;
    let passed = layer;
    let total = cost;
    if (demand.goals[layer]?.lanes.has(lane) === true) {
      if (layer + 1 < demand.goals.length) passed++;
      else if (terms.ends === undefined || terms.ends(lane)) {
        passed++;
        const taken = prices.of(endResource(space, lane), demand.number);
        total += (demand.endCost?.(lane) ?? 0) + (mateEnds.has(lane) ? MATE_END * taken : taken);
      }
    }
    const state = passed * shape.layerSize + signal * shape.width + lane;
    this.relax(state, passed, lane, total, from, by);
  }

  private leaveLane(state: number, layer: number, node: number, total: number): void {
    const { space, demand, mateCords, shape } = this.task;
    const { arcs } = space;
    const signal = Math.floor((state % shape.layerSize) / shape.width);
    const goal = demand.goals[layer];
    const last = arcs.start[node + 1] ?? 0;
    for (let arc = arcs.start[node] ?? 0; arc < last; arc++) {
      const to = arcs.to[arc] ?? NONE;
      if (arcs.processor[arc] === 1 && goal?.lanes.has(to) !== true) continue;
      const cost = total + this.arcCost(arc, node, to);
      if (cost === Infinity) continue;
      const set = arcs.signal[arc] ?? ANY_MEDIUM;
      this.arrive(to, set === ANY_MEDIUM ? signal : set, layer, cost, state, arc);
    }
    const mate = mateCords.get(node);
    if (mate !== undefined) this.arrive(mate.to, signal, layer, total + HOP_POINTS, state, MATE);
    this.takeCord(state, layer, node, total, signal);
  }

  /** Plugs a cord into a jack, of every kind that reaches somewhere; where it goes is chosen later. */
  private takeCord(state: number, layer: number, node: number, total: number, signal: number): void {
    const { space, prices, shape } = this.task;
    const reach = space.hubsFrom[node] ?? [];
    if (reach.length === 0) return;
    // Which jack the cord goes to is not known yet, so whatever sits here already is in the way.
    const cost = total + prices.opening(node) + prices.of(plugResource(space, node), NO_JACK);
    if (cost === Infinity) return;
    const base = layer * shape.layerSize + signal * shape.width + shape.lanes;
    for (const hub of reach) {
      const lead = prices.lead(space.hubs[hub], node);
      this.relax(base + hub, layer, shape.lanes + hub, cost + lead.cost, state, lead.index);
    }
  }

  private leaveHub(state: number, layer: number, node: number, total: number): void {
    const { space, shape } = this.task;
    const entry = shape.hubsEnd + (space.hubs[node - shape.lanes]?.entry ?? 0);
    this.relax(state - node + entry, layer, entry, total, state, NONE);
  }

  /** The jacks of an entry come one at a time, the nearest to the goal first: most are never looked at. */
  private leaveEntry(state: number, layer: number, node: number): void {
    const { ledger, shape, bounds } = this.task;
    const { heap, cursor } = this;
    const from = ledger.from(ledger.from(state)) % shape.width;
    const near = bounds[layer]?.nearest(node - shape.hubsEnd);
    const base = ledger.cost(state) + (bounds[layer]?.rest ?? 0);
    const count = near?.jacks.length ?? 0;
    let next = cursor.get(state) ?? 0;
    do {
      if (next < count) this.enter(near?.jacks[next] ?? NONE, from, state, layer);
      next++;
    } while (
      next < count &&
      (this.isShared || heap.size === 0 || base + (near?.points[next] ?? 0) <= heap.leastCost)
    );
    cursor.set(state, next);
    if (next < count) heap.push(state, base + (near?.points[next] ?? 0));
  }

  /** Puts the other plug of a cord into a jack. */
  private enter(jack: number, from: number, state: number, layer: number): void {
    const { space, prices, ledger, shape, terms } = this.task;
    const signal = Math.floor((state % shape.layerSize) / shape.width);
    const own = prices.of(jack, cordValue(space, from));
    if (own === Infinity) return;
    const cost = ledger.cost(state) + own + prices.opening(jack) + prices.of(plugResource(space, jack), from);
    if (terms.bans !== undefined && prices.of(plugResource(space, from), jack) === Infinity) return;
    if (cost < Infinity) this.arrive(jack, signal, layer, cost, state, NONE);
  }

  private arcCost(arc: number, from: number, to: number): number {
    const { space, table, prices } = this.task;
    const { arcs } = space;
    const isCord = (arcs.cord[arc] ?? NONE) >= 0;
    const value = isCord ? cordValue(space, from) : arc;
    let cost = prices.of(to, value);
    // What a way of the same source runs over already is paid for.
    if (!(this.isShared && table.withValue(to, value) > 0)) cost += arcs.cost[arc] ?? 0;
    const normal = arcs.normal[arc] ?? NONE;
    if (normal >= 0) cost += prices.of(normalResource(space, normal), CLOSED);
    const knob = arcs.knob[arc] ?? NONE;
    if (knob >= 0) cost += prices.of(knobResource(space, knob), arcs.value[arc] ?? 0);
    if (isCord) {
      // A cord that a way of the same source runs over is off the hook already.
      if (table.withValue(to, value) === 0)
        cost += prices.taking(space.ownTakes[arcs.cord[arc] ?? NONE] ?? [], from);
      cost += prices.of(plugResource(space, from), to) + prices.of(plugResource(space, to), from);
      cost += prices.openingOf(from) + prices.openingOf(to);
    }
    return cost;
  }
}

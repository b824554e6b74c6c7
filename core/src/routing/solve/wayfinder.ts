import { MinHeap } from '../minHeap';
import { NONE as NO_STATE, SearchLedger } from '../searchLedger';
import { SIGNALS } from '../space/buildSpace';
import { HOP_POINTS } from '../costs';
import type { LeadHub, RoutingSpace, Step } from '../space/routingSpace';
import { ANY_MEDIUM, NONE } from '../space/routingSpace';
import type { Bound, Terrain } from './bounds';
import { boundTo, terrainOf } from './bounds';
import type { ClaimTable } from './claimTable';
import type { Demand, Goal } from './demand';
import type { Terms } from './terms';
import { banKey, banThingKey, CLEAR } from './terms';
import type { Way } from './way';
import {
  CLOSED,
  contradictionIn,
  cordValue,
  endResource,
  knobResource,
  normalResource,
  OPEN,
  plugResource,
  wayOf,
} from './way';

/**
 * A way of the same source costs nothing to share, up to its very end: that one conflict has to count for
 * more than what going another way costs.
 */
const MATE_END = 16;
/** The other end of a cord that is not known yet: no lane. */
const NO_JACK = -1;
/** Reached by a cord of another way of the same source. */
const MATE = -3;
/** A way that contradicts itself is searched again without one of the two, at most this deep. */
const MOST_RETRIES = 5;

/**
 * Finds the cheapest way of one demand (A*). A state is (goals passed, kind of signal, node). Deterministic
 * for equal input: equal costs are settled in state order. One ledger and one set of bounds serve all
 * searches of a space.
 */
export class Wayfinder {
  private readonly ledger = new SearchLedger();
  private readonly terrain: Terrain;
  private readonly bounds = new WeakMap<Goal, Bound>();
  private readonly lanes: number;
  private readonly width: number;
  private readonly layerSize: number;
  /** Cords of the ways that may be shared in the present search, by the jack they leave. */
  private mateCords: ReadonlyMap<number, Cord> = new Map();
  /** States taken up so far: what the work was. */
  settled = 0;

  constructor(
    readonly space: RoutingSpace,
    readonly table: ClaimTable,
  ) {
    this.terrain = terrainOf(space);
    this.lanes = space.graph.lanes.length;
    this.width = this.lanes + space.hubs.length + space.entries.length;
    this.layerSize = this.width * SIGNALS;
  }

  /**
   * The cheapest way on these terms, or undefined. Its points are its own, without what conflicts cost.
   * @param mates ways of the same source that are claimed: what they share costs nothing more.
   */
  find(demand: Demand, terms: Terms = CLEAR, mates: readonly Way[] = []): Way | undefined {
    return this.findBanning(demand, terms, mates, MOST_RETRIES);
  }

  private findBanning(demand: Demand, terms: Terms, mates: readonly Way[], retries: number): Way | undefined {
    const steps = demand.start < 0 ? undefined : this.search(demand, terms, mates);
    if (steps === undefined) return undefined;
    const way = wayOf(this.space, demand, steps);
    const flaws = this.flawsOf(way, terms);
    if (flaws.length === 0) return way;
    if (retries === 0) return undefined;
    const tries = flaws.flatMap((flaw) => {
      const bans = new Set([...(terms.bans ?? []), flaw]);
      return this.findBanning(demand, { ...terms, bans }, mates, retries - 1) ?? [];
    });
    return tries.sort((a, b) => a.cost - b.cost)[0];
  }

  /** What a way would have to do without, one thing or another, to hold together; nothing where it does. */
  private flawsOf(way: Way, { perConflict }: Terms): readonly number[] {
    const clash = contradictionIn(way);
    if (clash !== undefined) return [clash.value, clash.other].map((value) => banKey(clash.resource, value));
    if (perConflict !== Infinity) return [];
    for (const { thing } of way.takes) {
      const fresh = way.steps.filter(
        (step) =>
          step.kind === 'cord' && step.lead.takes.includes(thing) && this.mateCords.get(step.from) !== step,
      );
      const wanted = fresh.reduce(
        (sum, step) => sum + (step.kind === 'cord' ? countOf(step.lead.takes, thing) : 0),
        0,
      );
      if (wanted > Math.max(0, this.table.left(thing)))
        return fresh.map(({ from }) => banThingKey(thing, from));
    }
    return [];
  }

  /** Points from a lane past the goals from `layer` on, at least. */
  private boundsOf(demand: Demand): readonly (Bound & { readonly rest: number })[] {
    const bounds = demand.goals.map((goal) => {
      const known = this.bounds.get(goal);
      if (known !== undefined) return known;
      const made = boundTo(this.space, this.terrain, goal);
      this.bounds.set(goal, made);
      return made;
    });
    let rest = 0;
    const layers: { points: Float64Array; nearest: Bound['nearest']; rest: number }[] = [];
    for (let i = bounds.length - 1; i >= 0; i--) {
      const bound = bounds[i];
      if (bound === undefined) continue;
      layers.unshift({ ...bound, rest });
      const before = demand.goals[i - 1];
      if (before !== undefined) rest += least(before, bound.points);
    }
    return layers;
  }

  private search(demand: Demand, terms: Terms, mates: readonly Way[]): readonly Step[] | undefined {
    const shared = mates.length > 0;
    this.mateCords = cordsOf(mates);
    const mateEnds = new Set(mates.map(({ end }) => end));
    const { space, table, ledger, lanes, width, layerSize } = this;
    const { arcs, laneMedium, hubs, hubsFrom, plugCost } = space;
    const { goals } = demand;
    const { perConflict, everyHeldPlace = false, bans, ends, below = Infinity } = terms;
    const bounds = this.boundsOf(demand);
    const heap = new MinHeap();
    ledger.begin(layerSize * (goals.length + 1));

    const extra = (resource: number, value: number): number => {
      if (bans !== undefined && (bans.has(banKey(resource)) || bans.has(banKey(resource, value))))
        return Infinity;
      const claims = table.claims(resource);
      const others = claims === 0 ? 0 : table.against(resource, value);
      const against = everyHeldPlace && (others > 0 || (claims > 0 && resource < lanes)) ? 1 : others;
      return (
        (against === 0 ? 0 : perConflict * against) +
        (perConflict === Infinity ? 0 : (table.history[resource] ?? 0))
      );
    };
    const relax = (
      state: number,
      layer: number,
      node: number,
      cost: number,
      from: number,
      by: number,
    ): void => {
      if (!(cost < ledger.cost(state))) return;
      const bound = bounds[layer];
      const onward = bound === undefined || shared ? 0 : (bound.points[node] ?? 0) + bound.rest;
      if (!(cost + onward < below)) return;
      ledger.write(state, cost, from, by);
      if (node >= lanes + hubs.length) cursor.delete(state);
      heap.push(state, cost + onward);
    };
    const arrive = (
      lane: number,
      signal: number,
      layer: number,
      cost: number,
      from: number,
      by: number,
    ): void => {
      const own = laneMedium[lane] ?? ANY_MEDIUM;
      if (own !== ANY_MEDIUM && own !== signal) return;
      let passed = layer;
      let total = cost;
      if (goals[layer]?.lanes.has(lane) === true) {
        if (layer + 1 < goals.length) passed++;
        else if (ends === undefined || ends(lane)) {
          passed++;
          total += demand.endCost?.(lane) ?? 0;
          const taken = extra(endResource(space, lane), demand.number);
          total += mateEnds.has(lane) ? MATE_END * taken : taken;
        }
      }
      relax(passed * layerSize + signal * width + lane, passed, lane, total, from, by);
    };
    /** Where the jacks of an entry have got to. */
    const cursor = new Map<number, number>();
    const opening = (jack: number): number => {
      let sum = plugCost[jack] ?? 0;
      for (const normal of space.opens[jack] ?? []) sum += extra(normalResource(space, normal), OPEN);
      return sum;
    };

    const enter = (
      jack: number,
      from: number,
      signal: number,
      layer: number,
      total: number,
      state: number,
    ): void => {
      const own = extra(jack, cordValue(space, from));
      if (own === Infinity) return;
      const cost = total + own + opening(jack) + extra(plugResource(space, jack), from);
      if (bans !== undefined && extra(plugResource(space, from), jack) === Infinity) return;
      if (cost < Infinity) arrive(jack, signal, layer, cost, state, NONE);
    };

    arrive(
      demand.start,
      laneMedium[demand.start] ?? ANY_MEDIUM,
      0,
      extra(demand.start, arcs.to.length + lanes),
      NO_STATE,
      NONE,
    );
    while (heap.size > 0) {
      const state = heap.pop();
      const key = heap.lastCost;
      const layer = Math.floor(state / layerSize);
      const node = state % width;
      const signal = Math.floor((state % layerSize) / width);
      const total = ledger.cost(state);
      const bound = bounds[layer];
      if (node >= lanes + hubs.length) {
        // The jacks of an entry come one at a time, the nearest to the goal first: most are never looked at.
        const from = ledger.from(ledger.from(state)) % width;
        const near = bound?.nearest(node - lanes - hubs.length);
        const base = total + (bound?.rest ?? 0);
        let next = cursor.get(state) ?? 0;
        const count = near?.jacks.length ?? 0;
        do {
          if (next < count) enter(near?.jacks[next] ?? NONE, from, signal, layer, total, state);
          next++;
        } while (
          next < count &&
          (shared || heap.size === 0 || base + (near?.points[next] ?? 0) <= heap.leastCost)
        );
        cursor.set(state, next);
        if (next < count) heap.push(state, base + (near?.points[next] ?? 0));
        continue;
      }
      const onward = bound === undefined || shared ? 0 : (bound.points[node] ?? 0) + bound.rest;
      if (key > total + onward) continue;
      this.settled++;
      if (layer === goals.length) return this.stepsTo(state);
      if (node < lanes) {
        const last = arcs.start[node + 1] ?? 0;
        for (let arc = arcs.start[node] ?? 0; arc < last; arc++) {
          const to = arcs.to[arc] ?? NONE;
          if (arcs.processor[arc] === 1 && goals[layer]?.lanes.has(to) !== true) continue;
          const cost = total + this.arcCost(arc, node, to, shared, extra);
          if (cost === Infinity) continue;
          const after = arcs.signal[arc] ?? ANY_MEDIUM;
          arrive(to, after === ANY_MEDIUM ? signal : after, layer, cost, state, arc);
        }
        const mate = this.mateCords.get(node);
        if (mate !== undefined) arrive(mate.to, signal, layer, total + HOP_POINTS, state, MATE);
        const reach = hubsFrom[node] ?? [];
        if (reach.length > 0) {
          // Which jack the cord goes to is not known yet, so whatever sits here already is in the way.
          const cost = total + opening(node) + extra(plugResource(space, node), NO_JACK);
          if (cost < Infinity)
            for (const hub of reach) {
              const lead = this.leadCost(hubs[hub], node, terms);
              relax(
                layer * layerSize + signal * width + lanes + hub,
                layer,
                lanes + hub,
                cost + lead.cost,
                state,
                lead.index,
              );
            }
        }
      } else {
        const entry = lanes + hubs.length + (hubs[node - lanes]?.entry ?? 0);
        relax(layer * layerSize + signal * width + entry, layer, entry, total, state, NONE);
      }
    }
    return undefined;
  }

  private arcCost(
    arc: number,
    from: number,
    to: number,
    shared: boolean,
    extra: (resource: number, value: number) => number,
  ): number {
    const { space, table } = this;
    const { arcs } = space;
    const cord = (arcs.cord[arc] ?? NONE) >= 0;
    const value = cord ? cordValue(space, from) : arc;
    let cost = extra(to, value);
    // What a way of the same source runs over already is paid for.
    if (!(shared && table.withValue(to, value) > 0)) cost += arcs.cost[arc] ?? 0;
    const normal = arcs.normal[arc] ?? NONE;
    if (normal >= 0) cost += extra(normalResource(space, normal), CLOSED);
    const knob = arcs.knob[arc] ?? NONE;
    if (knob >= 0) cost += extra(knobResource(space, knob), arcs.value[arc] ?? 0);
    if (cord) {
      cost += extra(plugResource(space, from), to) + extra(plugResource(space, to), from);
      for (const jack of [from, to])
        for (const number of space.opens[jack] ?? []) cost += extra(normalResource(space, number), OPEN);
    }
    return cost;
  }

  /** The cheapest lead of a hub on the hook; on soft terms one that is short costs more. */
  private leadCost(
    hub: LeadHub | undefined,
    jack: number,
    { perConflict, bans }: Terms,
  ): { index: number; cost: number } {
    let best = { index: NONE, cost: Infinity };
    hub?.leads.forEach(({ takes }, index) => {
      let cost = hub.costs[index] ?? Infinity;
      for (const thing of takes) {
        if (bans?.has(banThingKey(thing)) === true || bans?.has(banThingKey(thing, jack)) === true)
          cost = Infinity;
        if (this.table.left(thing) < countOf(takes, thing)) cost += perConflict;
        if (perConflict !== Infinity) cost += this.table.hookHistory[thing] ?? 0;
      }
      if (cost < best.cost) best = { index, cost };
    });
    return best;
  }

  private stepsTo(end: number): readonly Step[] {
    const { ledger, lanes, width, space } = this;
    const steps: Step[] = [];
    for (let state = end; ledger.from(state) !== NO_STATE;) {
      const before = ledger.from(state);
      const to = state % width;
      const mate = ledger.by(state) === MATE ? this.mateCords.get(before % width) : undefined;
      if (mate !== undefined) {
        steps.push(mate);
        state = before;
        continue;
      }
      if (before % width < lanes) {
        steps.push({ kind: 'arc', arc: ledger.by(state), from: before % width, to });
        state = before;
        continue;
      }
      const hubState = ledger.from(before);
      const hub = space.hubs[(hubState % width) - lanes];
      const leadIndex = ledger.by(hubState);
      const lead = hub?.leads[leadIndex];
      if (lead === undefined) throw new Error('a cord comes from a hub');
      const jack = ledger.from(hubState);
      steps.push({ kind: 'cord', lead, cost: hub?.costs[leadIndex] ?? 0, from: jack % width, to });
      state = jack;
    }
    return steps.reverse();
  }
}

const countOf = (takes: readonly number[], thing: number): number => {
  let count = 0;
  for (const each of takes) if (each === thing) count++;
  return count;
};

type Cord = Extract<Step, { kind: 'cord' }>;

const cordsOf = (ways: readonly Way[]): ReadonlyMap<number, Cord> =>
  new Map(
    ways.flatMap(({ steps }) =>
      steps.flatMap((step): [number, Cord][] => (step.kind === 'cord' ? [[step.from, step]] : [])),
    ),
  );

const least = (goal: Goal, points: Float64Array): number => {
  let best = Infinity;
  for (const lane of goal.lanes) best = Math.min(best, points[lane] ?? Infinity);
  return best;
};

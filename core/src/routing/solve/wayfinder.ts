import { SearchLedger } from '../searchLedger';
import type { RoutingSpace } from '../space/routingSpace';
import type { Bound, Terrain } from './bounds';
import { boundTo, terrainOf } from './bounds';
import type { ClaimTable } from './claimTable';
import type { Demand, Goal } from './demand';
import { cordsByJack } from './mateCords';
import { SearchPrices } from './searchPrices';
import type { StateShape } from './stateShape';
import { stateShapeOf } from './stateShape';
import type { Terms } from './terms';
import { banKey, banThingKey, CLEAR } from './terms';
import type { Way } from './way';
import { contradictionIn, wayOf } from './way';
import type { FoundEnd, LayerBound } from './waySearch';
import { WaySearch } from './waySearch';

/** A way that contradicts itself is searched again without one of the two, at most this deep. */
const MOST_RETRIES = 5;

/** A way, and its points with what conflicts cost on the terms it was found on. */
export interface PricedWay {
  readonly way: Way;
  readonly price: number;
}

/** The cheapest way to one end: what it costs at least, and the way itself, worked out when it is asked for. */
export interface WayToEnd {
  readonly end: number;
  readonly least: number;
  readonly way: () => PricedWay | undefined;
}

/**
 * Finds the cheapest way of one demand (A*). Deterministic
 * for equal input: equal costs are settled in state order. One ledger and one set of bounds serve all
 * searches of a space.
 */
export class Wayfinder {
  private readonly ledger = new SearchLedger();
  private readonly terrain: Terrain;
  private readonly bounds = new WeakMap<Goal, Bound>();
  private readonly shape: StateShape;
  /** States taken up so far: what the work was. */
  settled = 0;

  constructor(
    readonly space: RoutingSpace,
    readonly table: ClaimTable,
  ) {
    this.terrain = terrainOf(space);
    this.shape = stateShapeOf(space);
  }

  /**
   * The cheapest way on these terms, or undefined. Its points are its own, without what conflicts cost.
   * @param mates ways of the same source that are claimed: what they share costs nothing more.
   */
  find(demand: Demand, terms: Terms = CLEAR, mates: readonly Way[] = []): Way | undefined {
    return this.priced(demand, terms, mates)?.way;
  }

  /** The same with its price. */
  priced(demand: Demand, terms: Terms, mates: readonly Way[]): PricedWay | undefined {
    const found = demand.start < 0 ? undefined : this.search(demand, terms, mates, 1)[0];
    return found && this.whole(demand, terms, mates, found, MOST_RETRIES);
  }

  /** What it costs at least to come to each end that may be reached on these terms, and the way, when asked for. */
  toEnds(demand: Demand, terms: Terms, mates: readonly Way[]): readonly WayToEnd[] {
    if (demand.start < 0) return [];
    return this.search(demand, terms, mates, Infinity).map((found) => ({
      end: found.end,
      least: found.price,
      way: () =>
        this.whole(
          demand,
          { ...terms, ends: (lane: number) => lane === found.end },
          mates,
          found,
          MOST_RETRIES,
        ),
    }));
  }

  /** A found way, or, where it does not hold together, the cheapest that does. */
  private whole(
    demand: Demand,
    terms: Terms,
    mates: readonly Way[],
    { steps, price }: FoundEnd,
    retries: number,
  ): PricedWay | undefined {
    const way = wayOf(this.space, demand, steps);
    const flaws = this.flawsOf(way, terms);
    if (flaws.length === 0) return { way, price };
    if (retries === 0) return undefined;
    const tries = flaws.flatMap((flaw) => {
      const without = { ...terms, bans: new Set([...(terms.bans ?? []), flaw]) };
      const [found] = this.search(demand, without, mates, 1);
      return (found && this.whole(demand, without, mates, found, retries - 1)) ?? [];
    });
    return tries.sort((a, b) => a.price - b.price)[0];
  }

  /** What a way would have to do without, one thing or another, to hold together; nothing where it does. */
  private flawsOf(way: Way, { perConflict }: Terms): readonly number[] {
    const clash = contradictionIn(way);
    if (clash !== undefined) return [clash.value, clash.other].map((value) => banKey(clash.resource, value));
    if (perConflict !== Infinity) return [];
    const fresh = way.takes.filter((taking) => !this.table.isTaken(taking));
    for (const { thing } of fresh) {
      const wanted = fresh.filter((taking) => taking.thing === thing);
      if (wanted.length > Math.max(0, this.table.left(thing)))
        return [...new Set(wanted.map(({ jack }) => banThingKey(thing, jack)))];
    }
    return [];
  }

  /** Points from a lane past the goals from `layer` on, at least. */
  private boundsOf(demand: Demand): readonly LayerBound[] {
    const bounds = demand.goals.map((goal) => {
      const known = this.bounds.get(goal);
      if (known !== undefined) return known;
      const made = boundTo(this.space, this.terrain, goal);
      this.bounds.set(goal, made);
      return made;
    });
    let rest = 0;
    const layers: LayerBound[] = [];
    for (let i = bounds.length - 1; i >= 0; i--) {
      const bound = bounds[i];
      if (bound === undefined) continue;
      layers.unshift({ ...bound, rest });
      const before = demand.goals[i - 1];
      if (before !== undefined) rest += least(before, bound.points);
    }
    return layers;
  }

  private search(demand: Demand, terms: Terms, mates: readonly Way[], most: number): readonly FoundEnd[] {
    const { space, table, ledger, shape } = this;
    const search = new WaySearch({
      ...{ space, table, shape, ledger, demand, terms },
      prices: new SearchPrices(space, table, terms),
      bounds: this.boundsOf(demand),
      mateCords: cordsByJack(mates),
      mateEnds: new Set(mates.map(({ end }) => end)),
    });
    const found: FoundEnd[] = [];
    for (let next = search.next(); next !== undefined; next = found.length < most ? search.next() : undefined)
      found.push(next);
    this.settled += search.settled;
    return found;
  }
}

const least = (goal: Goal, points: Float64Array): number => {
  let best = Infinity;
  for (const lane of goal.lanes) best = Math.min(best, points[lane] ?? Infinity);
  return best;
};

import type { RoutingSpace } from '../space/routingSpace';
import { ClaimTable } from './claimTable';
import { multsOf } from './mults';
import type { Demand, Item } from './demand';
import type { Terms } from './terms';
import { CLEAR } from './terms';
import { sharedWays } from './sharedWays';
import { Wayfinder } from './wayfinder';
import { wideWays } from './wideWays';
import type { Way } from './way';
import { knobResource, stepCost, cordValue } from './way';
import { NONE } from '../space/routingSpace';

/** What a thread without a way counts for: more than all ways together. */
export const UNROUTED_POINTS = 1e12;
/** What one that ran counts for besides, all of them together less than one thread. */
const STOPPED_SHARE = 0.5;

/** Ways by side of an item. */
export type ItemWays = readonly Way[];

/**
 * The state of a routing: which item has which ways, and what they claim together. Everything that
 * changes it goes through `set`.
 */
export class Board {
  readonly table: ClaimTable;
  readonly finder: Wayfinder;
  private readonly placed: (ItemWays | undefined)[];
  /** Sides that run on although their wide item has no way as a whole. */
  private readonly alone = new Map<number, readonly Way[]>();
  /** Items that run and are not to be stopped for others. */
  private readonly preferred = new Set<number>();
  /** Items by the lane one of their sides starts from. */
  private readonly bySource = new Map<number, number[]>();

  constructor(
    readonly space: RoutingSpace,
    readonly items: readonly Item[],
  ) {
    this.table = new ClaimTable(space);
    this.finder = new Wayfinder(space, this.table);
    this.placed = items.map(() => undefined);
    items.forEach(({ demands }, index) => {
      for (const { start } of demands) {
        const list = this.bySource.get(start) ?? [];
        this.bySource.set(start, [...list, index]);
      }
    });
  }

  ways(item: number): ItemWays | undefined {
    return this.placed[item];
  }

  set(item: number, ways: ItemWays | undefined): void {
    for (const way of this.placed[item] ?? []) this.table.release(way);
    this.placed[item] = ways;
    for (const way of ways ?? []) this.table.claim(way);
  }

  /** Keeps an item where it is: nothing may be planned against it. */
  freeze(item: number): void {
    for (const { resources, values } of this.placed[item] ?? [])
      resources.forEach((resource, i) => {
        this.table.hold(resource, values[i] ?? NONE);
      });
  }

  /** Sides of an item without ways that run on nevertheless. */
  sidesOf(item: number): readonly Way[] {
    return this.alone.get(item) ?? [];
  }

  keepSide(item: number, way: Way): void {
    this.alone.set(item, [...this.sidesOf(item), way]);
    this.table.claim(way);
  }

  letGo(item: number, way: Way): void {
    this.alone.set(
      item,
      this.sidesOf(item).filter((other) => other !== way),
    );
    this.table.release(way);
  }

  /** Of as many threads that run, those with this item are better: it runs now. */
  prefer(item: number): void {
    this.preferred.add(item);
  }

  /** Keeps a knob where it stands: it was set by hand. */
  holdKnob(knob: number, value: number): void {
    this.table.hold(knobResource(this.space, knob), value);
  }

  /** Other items with the same source. */
  mates(item: number): readonly number[] {
    const own = this.items[item]?.demands ?? [];
    return own.flatMap(({ start }) => (this.bySource.get(start) ?? []).filter((other) => other !== item));
  }

  /** Claimed ways from the source of a demand, other than those of its own item. */
  private matesOf(item: number, { start }: Demand): readonly Way[] {
    const others = this.bySource.get(start) ?? [];
    if (others.length < 2) return [];
    return others
      .filter((other) => other !== item)
      .flatMap((other) => this.placed[other] ?? [])
      .filter((way) => way.start === start);
  }

  /** The cheapest ways of an item that is not placed, on given terms. */
  find(item: number, terms: Terms = CLEAR): ItemWays | undefined {
    const it = this.items[item];
    if (it === undefined) return undefined;
    if (it.slots === undefined) {
      const [demand] = it.demands;
      const way = demand && this.finder.find(demand, terms, this.matesOf(item, demand));
      return way && [way];
    }
    return this.findWide(item, it.demands, it.slots, terms);
  }

  /** The cheapest way of a single item over a mult, wherever on its way that is. */
  findByMult(item: number, terms: Terms): ItemWays | undefined {
    const it = this.items[item];
    const [demand] = it?.demands ?? [];
    const mults = multsOf(this.space);
    if (demand === undefined || it?.slots !== undefined || mults.lanes.size === 0) return undefined;
    const { goals } = demand;
    const ways = goals.flatMap((_, i) => {
      const over = { ...demand, goals: [...goals.slice(0, i), mults, ...goals.slice(i)] };
      return this.finder.find(over, terms, this.matesOf(item, demand)) ?? [];
    });
    const cheapest = ways.sort((a, b) => a.cost - b.cost)[0];
    return cheapest && [cheapest];
  }

  /** The sides of a wide item: each its own source, or, where they share one, slot by slot. */
  private findWide(
    item: number,
    demands: readonly Demand[],
    slots: readonly (readonly number[])[],
    terms: Terms,
  ): ItemWays | undefined {
    const matesOf = (demand: Demand): readonly Way[] => this.matesOf(item, demand);
    const { space, finder } = this;
    const task = { space, finder, demands, slots, matesOf, terms };
    if (new Set(demands.map(({ start }) => start)).size === demands.length) return wideWays(task);
    return sharedWays(task, (ways) => this.priceOf(item, ways, terms));
  }

  private conflictPoints(way: Way, { perConflict }: Terms): number {
    const conflicts = this.table.conflicts(way);
    return conflicts === 0 ? 0 : conflicts * perConflict;
  }

  /** What ways would cost here, conflicts and all; what they share with others is paid for. */
  private priceOf(item: number, ways: ItemWays, terms: Terms): number {
    const conflicts = ways.reduce((sum, way) => sum + this.conflictPoints(way, terms), 0);
    this.set(item, ways);
    const cost = this.costOf([item]);
    this.set(item, undefined);
    return cost + conflicts;
  }

  /** Claims that stand against the placed ways of an item. */
  conflicts(item: number): number {
    return (this.placed[item] ?? []).reduce((sum, way) => sum + this.table.conflicts(way), 0);
  }

  /** Points of all items that share sources with these, each step counted once; an unplaced item counts its threads. */
  costOf(items: Iterable<number>): number {
    const group = new Set<number>();
    for (const item of items) for (const each of [item, ...this.mates(item)]) group.add(each);
    const paid = new Set<string>();
    let sum = 0;
    for (const item of group) {
      const ways = this.placed[item];
      const demands = this.items[item]?.demands ?? [];
      if (ways === undefined) sum += this.missingPoints(item, demands.length);
      ways?.forEach((way, side) => (sum += this.costOnce(way, demands[side], paid)));
    }
    return sum;
  }

  private missingPoints(item: number, threads: number): number {
    const share = this.preferred.has(item) ? STOPPED_SHARE / this.items.length : 0;
    return UNROUTED_POINTS * (threads + share);
  }

  private costOnce(way: Way, demand: Demand | undefined, paid: Set<string>): number {
    let sum = demand?.endCost?.(way.end) ?? 0;
    for (const step of way.steps) {
      const kept = step.kind === 'arc' && (this.space.arcs.cord[step.arc] ?? NONE) >= 0;
      const value = step.kind === 'cord' || kept ? cordValue(this.space, step.from) : step.arc;
      const key = `${String(step.to)} ${String(value)}`;
      if (paid.has(key)) continue;
      paid.add(key);
      sum += stepCost(this.space, step);
    }
    return sum;
  }

  total(): number {
    return this.costOf(this.items.keys());
  }
}

import type { RoutingSpace } from '../space/routingSpace';
import { NONE } from '../space/routingSpace';
import { resourceCount } from './way';
import type { Claims, Taking, Way } from './way';

/** Claims that something held for good counts for: more than all ways together. */
const HELD = 1_000_000;

/** A cord and an adaptor at each end. */
const MOST_TAKEN = 3;

/** No value claimed. */
const FREE = -2;

/**
 * Who claims what, all ways together: how many claims each resource has, and with which values. Most
 * resources have one value, which is kept in arrays; the few in dispute have a map each.
 */
export class ClaimTable {
  private readonly total: Int32Array;
  private readonly value: Int32Array;
  private readonly disputed = new Map<number, Map<number, number>>();
  private readonly taken: Int32Array;
  /** Ways that use one and the same cord. */
  private readonly sharers = new Map<number, number>();
  /** What a resource has cost because it was in dispute before, in points. */
  readonly history: Float64Array;
  readonly hookHistory: Float64Array;

  constructor(private readonly space: RoutingSpace) {
    const count = resourceCount(space);
    this.total = new Int32Array(count);
    this.value = new Int32Array(count).fill(FREE);
    this.history = new Float64Array(count);
    this.taken = new Int32Array(space.capacity.length);
    this.hookHistory = new Float64Array(space.capacity.length);
  }

  claim(way: Way): void {
    this.each(way, 1);
    for (const taking of way.takes) this.take(taking, 1);
  }

  release(way: Way): void {
    this.each(way, -1);
    for (const taking of way.takes) this.take(taking, -1);
  }

  /** Claims that are never given up: a way that may not move, a knob that stays where somebody put it. */
  hold(resource: number, value: number): void {
    this.add(resource, value, HELD);
  }

  /** Claims on a resource with another value; Infinity where one of them is held for good. */
  against(resource: number, value: number): number {
    const total = this.total[resource] ?? 0;
    const others = total === 0 ? 0 : total - this.withValue(resource, value);
    return others >= HELD ? Infinity : others;
  }

  claims(resource: number): number {
    return this.total[resource] ?? 0;
  }

  withValue(resource: number, value: number): number {
    const map = this.disputed.get(resource);
    if (map !== undefined) return map.get(value) ?? 0;
    return this.value[resource] === value ? (this.total[resource] ?? 0) : 0;
  }

  /** How many more of this are wanted than hang on the hook. */
  short(index: number): number {
    return Math.max(0, (this.taken[index] ?? 0) - (this.space.capacity[index] ?? 0));
  }

  left(index: number): number {
    return (this.space.capacity[index] ?? 0) - (this.taken[index] ?? 0);
  }

  /** Whether a way has taken this already: the cord that sits in that jack is there. */
  isTaken({ thing, jack, nth }: Taking): boolean {
    return this.sharers.has(this.takingKey(thing, jack, nth));
  }

  /** How many claims of others stand against a way, where it has not made its own yet. */
  conflicts({ resources, values, takes }: Way): number {
    let count = 0;
    for (let i = 0; i < resources.length; i++) count += this.against(resources[i] ?? NONE, values[i] ?? NONE);
    for (const { thing } of takes) count += this.short(thing) > 0 ? 1 : 0;
    return count;
  }

  private take({ thing, jack, nth }: Taking, by: number): void {
    const key = this.takingKey(thing, jack, nth);
    const before = this.sharers.get(key) ?? 0;
    if (before + by === 0) this.sharers.delete(key);
    else this.sharers.set(key, before + by);
    if (before === 0 || before + by === 0) this.taken[thing] = (this.taken[thing] ?? 0) + by;
  }

  private takingKey(thing: number, jack: number, nth: number): number {
    return (jack * this.taken.length + thing) * MOST_TAKEN + nth;
  }

  private each({ resources, values }: Claims, by: number): void {
    // A way may claim a thing twice with one value; it then counts twice, and is taken off twice.
    for (let i = 0; i < resources.length; i++) this.add(resources[i] ?? NONE, values[i] ?? NONE, by);
  }

  private add(resource: number, value: number, by: number): void {
    const before = this.total[resource] ?? 0;
    this.total[resource] = before + by;
    const map = this.disputed.get(resource);
    if (map !== undefined) this.addDisputed(map, resource, value, by);
    else if (before === 0) this.value[resource] = value;
    else if (this.value[resource] !== value)
      this.disputed.set(
        resource,
        new Map([
          [this.value[resource] ?? FREE, before],
          [value, by],
        ]),
      );
    else if (before + by === 0) this.value[resource] = FREE;
  }

  private addDisputed(map: Map<number, number>, resource: number, value: number, by: number): void {
    const count = (map.get(value) ?? 0) + by;
    if (count === 0) map.delete(value);
    else map.set(value, count);
    if (map.size > 1) return;
    const [[only, left] = [FREE, 0]] = map;
    this.value[resource] = left === 0 ? FREE : only;
    this.disputed.delete(resource);
  }
}

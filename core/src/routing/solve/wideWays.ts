import { MinHeap } from '../minHeap';
import type { RoutingSpace } from '../space/routingSpace';
import { clashIn } from './clash';
import type { Demand } from './demand';
import type { Terms } from './terms';
import type { Way } from './way';
import type { PricedWay, Wayfinder, WayToEnd } from './wayfinder';

/** Branches after which the best so far is taken for a slot. */
const MOST_BRANCHES = 60;
const TINY = 0.5;

/** The sides of a wide thread and where they may end. */
export interface WideTask {
  readonly space: RoutingSpace;
  readonly finder: Wayfinder;
  readonly demands: readonly Demand[];
  /** Ends of each side, slot by slot. */
  readonly slots: readonly (readonly number[])[];
  /** Ways of other threads that a side may share. */
  readonly matesOf: (demand: Demand) => readonly Way[];
  readonly terms: Terms;
}

type Sides = readonly PricedWay[];

/** A slot, and what its sides cost at least. */
interface Candidate {
  readonly sides: readonly WayToEnd[];
  readonly least: number;
}

const priceOf = (sides: Sides): number => sides.reduce((sum, { price }) => sum + price, 0);

/** What the hook has for the sides: all of it where others can still be pushed aside. */
const leftFor =
  ({ space, finder, terms }: WideTask) =>
  (thing: number): number =>
    terms.perConflict === Infinity ? finder.table.left(thing) : (space.capacity[thing] ?? 0);

/** For each side its cheapest way to every end that costs less than a bound. */
function waysToEnds(
  task: WideTask,
  below: (side: number) => number,
): readonly ReadonlyMap<number, WayToEnd>[] {
  const { demands, slots, finder, terms, matesOf } = task;
  return demands.map((demand, side) => {
    const ends = new Set(slots.map((slot) => slot[side]));
    const own = { ...terms, ends: (lane: number) => ends.has(lane), below: below(side) };
    return new Map(finder.toEnds(demand, own, matesOf(demand)).map((each) => [each.end, each]));
  });
}

/** The slots that all sides reach, the cheapest first. */
function candidatesOf(
  { slots }: WideTask,
  ways: readonly ReadonlyMap<number, WayToEnd>[],
): readonly Candidate[] {
  return slots
    .flatMap((slot): Candidate[] => {
      const sides = slot.flatMap((lane, side) => ways[side]?.get(lane) ?? []);
      const least = sides.reduce((sum, side) => sum + side.least, 0);
      return sides.length === slot.length ? [{ sides, least }] : [];
    })
    .sort((a, b) => a.least - b.least);
}

/**
 * The cheapest ways in one slot that go together: where two clash, either the one or the other does without, and
 * both are tried, cheapest first.
 */
function together(task: WideTask, first: Sides, below: number): Sides | undefined {
  const { space, finder, demands, terms, matesOf } = task;
  const branches: { readonly sides: Sides; readonly bans: readonly ReadonlySet<number>[] }[] = [];
  const heap = new MinHeap();
  const open = (sides: Sides, bans: readonly ReadonlySet<number>[]): void => {
    if (priceOf(sides) >= below - TINY) return;
    heap.push(branches.length, priceOf(sides));
    branches.push({ sides, bans });
  };
  open(
    first,
    first.map(() => terms.bans ?? new Set<number>()),
  );
  while (heap.size > 0 && branches.length < MOST_BRANCHES) {
    const branch = branches[heap.pop()];
    if (branch === undefined) return undefined;
    const clash = clashIn(
      space,
      branch.sides.map(({ way }) => [way]),
      leftFor(task),
    );
    if (clash === undefined) return branch.sides;
    clash.members.forEach((side, i) => {
      const [demand, end] = [demands[side], first[side]?.way.end];
      if (demand === undefined) return;
      const bans = new Set([...(branch.bans[side] ?? []), clash.keys[i] ?? 0]);
      const found = finder.priced(demand, { ...terms, bans, ends: (lane) => lane === end }, matesOf(demand));
      if (found === undefined) return;
      open(
        branch.sides.map((each, k) => (k === side ? found : each)),
        branch.bans.map((each, k) => (k === side ? bans : each)),
      );
    });
  }
  return undefined;
}

/** The best of the slots whose sides alone cost less than a bound, each its own. */
function bestBelow(task: WideTask, below: (side: number) => number): Sides | undefined {
  let best: Sides | undefined;
  for (const { sides, least } of candidatesOf(task, waysToEnds(task, below))) {
    const price = best === undefined ? Infinity : priceOf(best);
    if (least >= price - TINY) break;
    const ways = sides.flatMap(({ way }) => way() ?? []);
    if (ways.length === sides.length) best = together(task, ways, price) ?? best;
  }
  return best;
}

/**
 * The cheapest ways of the sides of a wide thread, which start from different sources, into one slot: all slots
 * at once. Each side alone says what is the least; slots are listed only as far as they can still be the best.
 */
export function wideWays(task: WideTask): readonly Way[] | undefined {
  const { demands, slots, finder, terms, matesOf } = task;
  const alone = demands.flatMap((demand, side) => {
    const ends = new Set(slots.map((slot) => slot[side]));
    return finder.priced(demand, { ...terms, ends: (lane) => ends.has(lane) }, matesOf(demand)) ?? [];
  });
  if (alone.length < demands.length) return undefined;
  const ends = alone.map(({ way }) => way.end);
  const liked = slots.find((slot) => slot.every((lane, side) => lane === ends[side]));
  const sits = liked && together(task, alone, Infinity);
  if (sits !== undefined && priceOf(sits) <= priceOf(alone) + TINY) return sits.map(({ way }) => way);
  /** What the slot costs that one side would take alone, where the others have to follow. */
  const likes = ends.map((end, side) => {
    const slot = slots.find((each) => each[side] === end) ?? [];
    return demands.reduce((sum, demand, other) => {
      const own = { ...terms, ends: (lane: number) => lane === slot[other] };
      return (
        sum +
        (other === side
          ? (alone[side]?.price ?? 0)
          : (finder.priced(demand, own, matesOf(demand))?.price ?? Infinity))
      );
    }, 0);
  });
  const spare = Math.min(...likes) - priceOf(alone);
  const near = bestBelow(task, (side) => (alone[side]?.price ?? 0) + spare + 2 * TINY);
  const known = Math.min(
    near === undefined ? Infinity : priceOf(near),
    sits === undefined ? Infinity : priceOf(sits),
  );
  // Sides that clash in the slots listed cost more than those listed were listed for.
  const wide =
    known <= priceOf(alone) + spare + TINY
      ? near
      : bestBelow(task, (side) => (alone[side]?.price ?? 0) + known - priceOf(alone) + 2 * TINY);
  return (wide ?? near ?? sits)?.map(({ way }) => way);
}

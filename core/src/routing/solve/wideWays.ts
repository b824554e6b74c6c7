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
/** Of branches that cost the same the newest first: it is the nearest to an end without a clash. */
const DEEPER = 1e-3;

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
// eslint-disable-next-line max-lines-per-function -- one search over the sides of a wide item
function together(task: WideTask, first: Sides, below: number): Sides | undefined {
  const { space, finder, demands, terms, matesOf } = task;
  const branches: { readonly sides: Sides; readonly bans: readonly ReadonlySet<number>[] }[] = [];
  const heap = new MinHeap();
  const open = (sides: Sides, bans: readonly ReadonlySet<number>[]): void => {
    if (priceOf(sides) >= below - TINY) return;
    heap.push(branches.length, priceOf(sides) - branches.length * DEEPER);
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

/** The better of two; either may be none. */
const cheaper = (a: Sides | undefined, b: Sides | undefined): Sides | undefined =>
  b === undefined || (a !== undefined && priceOf(a) <= priceOf(b)) ? a : b;

/** The best of the slots whose sides alone cost less than a bound, each its own. */
function bestBelow(
  task: WideTask,
  below: (side: number) => number,
  known: Sides | undefined,
): Sides | undefined {
  let best = known;
  for (const { sides, least } of candidatesOf(task, waysToEnds(task, below))) {
    const price = best === undefined ? Infinity : priceOf(best);
    if (least >= price - TINY) break;
    const ways = sides.flatMap(({ way }) => way() ?? []);
    if (ways.length === sides.length) best = cheaper(best, together(task, ways, price));
  }
  return best;
}

/** The cheapest way of a side to an end that is asked for. */
function sideTo(
  task: WideTask,
  side: number,
  ends: (lane: number) => boolean,
  below = Infinity,
): PricedWay | undefined {
  const { demands, finder, terms, matesOf } = task;
  const demand = demands[side];
  return demand && finder.priced(demand, { ...terms, ends, below }, matesOf(demand));
}

/** The best of the slots that a side would take if it were alone, where the others have to follow. */
function bestLiked(task: WideTask, alone: Sides): Sides | undefined {
  let best: Sides | undefined;
  const tried = new Set<readonly number[]>();
  for (const [side, { way }] of alone.entries()) {
    const slot = task.slots.find((each) => each[side] === way.end);
    if (slot === undefined || tried.has(slot)) continue;
    tried.add(slot);
    const sides = slot.flatMap((end, other) =>
      alone[other]?.way.end === end ? alone[other] : (sideTo(task, other, (lane) => lane === end) ?? []),
    );
    if (sides.length === slot.length)
      best = cheaper(best, together(task, sides, best === undefined ? Infinity : priceOf(best)));
  }
  return best;
}

/**
 * The cheapest ways of the sides of a wide thread, which start from different sources, into one slot: all slots
 * at once. What each side costs alone, and what it costs anywhere else than where it would go alone, mostly says
 * that no other slot can be better than those the sides like; where it does not, slots are listed as far as they
 * can still be the best.
 */
export function wideWays(task: WideTask): readonly Way[] | undefined {
  const { demands, slots } = task;
  const endsOf = demands.map((_, side) => new Set(slots.map((slot) => slot[side])));
  const alone = demands.flatMap(
    (_, side) => sideTo(task, side, (lane) => endsOf[side]?.has(lane) === true) ?? [],
  );
  if (alone.length < demands.length) return undefined;
  const liked = bestLiked(task, alone);
  const least = alone.map(({ price }) => price);
  /** What a side may cost for all to be better than what is known, if the others cost what they do at least. */
  const room = (side: number): number =>
    (liked === undefined ? Infinity : priceOf(liked)) -
    least.reduce((sum, price, other) => (other === side ? sum : sum + price), 0);
  for (const [side, { way, price }] of alone.entries()) {
    const isElsewhere = (lane: number): boolean => lane !== way.end && endsOf[side]?.has(lane) === true;
    const below = room(side);
    least[side] = Math.max(price, sideTo(task, side, isElsewhere, below)?.price ?? below);
  }
  // A side that can go nowhere else ends where it likes, and that was tried.
  if (least.includes(Infinity)) return liked?.map(({ way }) => way);
  const isBest = liked !== undefined && least.reduce((sum, price) => sum + price, 0) >= priceOf(liked) - TINY;
  const best = isBest ? liked : bestBelow(task, (side) => room(side) + 2 * TINY, liked);
  return best?.map(({ way }) => way);
}

import type { Board, ItemWays } from './board';
import { exchange, place } from './exchange';
import type { Cancelled } from './negotiate';
import { rivalsOf, waitingBeside } from './rivals';
import { NONE } from '../space/routingSpace';

const MOST_PASSES = 6;
/** States the searches of one polishing may take up: a tenth of a second or two. */
const MOST_WORK = 100_000;
/** The same for more items than this: the larger the rig, the longer all else takes already. */
const MANY = 40;
const MOST_WORK_OF_MANY = 60_000;
/** The same while something has no way at all: that is worth waiting for. */
const MOST_WORK_UNROUTED = 500_000;
/** And the same for what is tried when that is up. */
const MOST_WORK_AT_END = 20_000;
/** Up to so many items each is looked at together with every other. */
const FEW = 16;
/** Prices of a conflict at which somebody else's place is asked for, in cords. */
const ASKING_PRICES = [0.05, 0.6, 2.5] as const;
/** A way that pushes more than this many others aside is left alone. */
const MOST_PUSHED = 4;
/** Items that are looked at together, exactly: a few first, since in a large group the branches may not last. */
const TOGETHER = [2, 4, 9] as const;
const MOST_TOGETHER = TOGETHER[2];
/** Differences below this are rounding. */
const TINY = 0.5;

/** Something tried with an item; true where the board has become cheaper. */
type Move = (item: number) => boolean;

/** Each item alone, everything else where it is. */
function again(board: Board, item: number): boolean {
  const before = board.ways(item);
  const cost = board.costOf([item]);
  board.set(item, undefined);
  board.set(item, board.find(item) ?? before);
  if (board.costOf([item]) < cost - TINY) return true;
  board.set(item, undefined);
  board.set(item, before);
  return false;
}

/** The item takes its place, and those in the way look for another. */
function push(board: Board, item: number, order: readonly number[], perConflict: number): boolean {
  const before = board.ways(item);
  board.set(item, undefined);
  const wanted = board.find(item, { perConflict });
  const rivals = wanted === undefined ? [] : rivalsOf(board, wanted, order);
  board.set(item, before);
  if (wanted === undefined || rivals.length === 0 || rivals.length > MOST_PUSHED) return false;
  const group = [item, ...rivals];
  const cost = board.costOf(group);
  const old = group.map((each) => board.ways(each));
  for (const each of group) board.set(each, undefined);
  board.set(item, wanted);
  for (const rival of rivals) board.set(rival, board.find(rival));
  if (group.every((each) => board.conflicts(each) === 0) && board.costOf(group) < cost - TINY) return true;
  for (const each of group) board.set(each, undefined);
  group.forEach((each, i) => {
    board.set(each, old[i]);
  });
  return false;
}

/** Whether `act`, which touches only these items, makes the board cheaper; if not, it is as it was. */
function pays(board: Board, items: readonly number[], act: () => void): boolean {
  const cost = board.total();
  const before = items.map((each) => board.ways(each));
  act();
  if (board.total() < cost - TINY) return true;
  for (const each of items) board.set(each, undefined);
  items.forEach((each, i) => {
    board.set(each, before[i]);
  });
  return false;
}

/**
 * An item without a way takes the place of one that has one, where that is cheaper: with what shares its
 * source, or with those in whose way it is.
 */
function replace(
  board: Board,
  item: number,
  order: readonly number[],
  near: readonly number[],
  over: Cancelled,
): boolean {
  if (board.ways(item) !== undefined) return false;
  const unit = [...new Set([item, ...board.mates(item)])];
  const others = order.filter((other) => board.ways(other) !== undefined && !unit.includes(other));
  const withUnit = (other: number): boolean =>
    pays(board, [...unit, other], () => {
      for (const each of [...unit, other]) board.set(each, undefined);
      place(board, unit).ways.forEach((ways, i) => {
        board.set(unit[i] ?? NONE, ways);
      });
      board.set(other, board.find(other));
    });
  const withGroup = (other: number, group: readonly number[]): boolean => {
    const touched = group.flatMap((each) => [each, ...board.mates(each)]);
    return pays(board, [...new Set([...touched, other])], () => {
      board.set(other, undefined);
      const rest = group.filter((each) => each !== other);
      exchange(board, rest, over);
      board.set(other, board.find(other));
    });
  };
  const groups = TOGETHER.slice(0, 2).map((size) => [...new Set([...unit, ...near.slice(0, size)])]);
  return (
    others.some(withUnit) ||
    groups.some((group) => others.some((other) => !over() && withGroup(other, group)))
  );
}

/** An item leaves, whoever waits takes a place, the cheapest first, and it looks for another. */
function giveUp(
  board: Board,
  item: number,
  order: readonly number[],
  ideals: readonly (ItemWays | undefined)[],
): boolean {
  const costOf = (each: number): number => (ideals[each] ?? []).reduce((sum, { cost }) => sum + cost, 0);
  const waiting = order.filter((each) => board.ways(each) === undefined && ideals[each] !== undefined);
  if (board.ways(item) === undefined || waiting.length === 0) return false;
  waiting.sort((a, b) => costOf(a) - costOf(b));
  return pays(board, [item, ...waiting], () => {
    for (const each of [item, ...waiting]) board.set(each, undefined);
    for (const each of [...waiting, item]) board.set(each, board.find(each));
  });
}

/**
 * An item, those in the way of what it would like best, those in the way of theirs, and those without a way that
 * would like the same.
 */
function neighbours(
  board: Board,
  item: number,
  order: readonly number[],
  ideals: readonly (ItemWays | undefined)[],
): readonly number[] {
  const group = [item];
  for (let i = 0; i < group.length && group.length < MOST_TOGETHER; i++) {
    const liked = ideals[group[i] ?? -1];
    if (liked === undefined) continue;
    const near = [...rivalsOf(board, liked, order), ...waitingBeside(board, liked, order, ideals)];
    for (const rival of near) if (!group.includes(rival) && group.length < MOST_TOGETHER) group.push(rival);
  }
  return group;
}

/**
 * Makes a routing cheaper until nothing tried helps: each item again, places asked of others, and small
 * groups exactly.
 * @param ideals the ways of each item on an empty board, which nothing can beat.
 */
// eslint-disable-next-line max-lines-per-function -- the moves share what they have tried and how much work is left
export function polish(
  board: Board,
  order: readonly number[],
  ideals: readonly (ItemWays | undefined)[],
  cancelled: Cancelled,
): void {
  const cord = board.space.weights.keep + board.space.weights['few-cords'];
  const least = ideals.map((ways) => ways?.reduce((sum, { cost }) => sum + cost, 0) ?? Infinity);
  // What shares a source can be cheaper than alone, so there is no telling whether it could be cheaper still.
  const wanting = (item: number): boolean =>
    (board.mates(item).length > 0 && ideals[item] !== undefined) ||
    ((least[item] ?? Infinity) < Infinity && board.costOf([item]) > (least[item] ?? 0) + TINY);
  const before = board.finder.settled;
  const most = order.length > MANY ? MOST_WORK_OF_MANY : MOST_WORK;
  const isShort = (): boolean => order.some((item) => board.ways(item) === undefined);
  const over = (): boolean => {
    const done = board.finder.settled - before;
    return cancelled() || done > MOST_WORK_UNROUTED || (done > most && !isShort());
  };
  const tried = new Set<string>();
  const asGroup = (group: readonly number[]): boolean => {
    const key = [...group].sort((a, b) => a - b).join(' ');
    if (tried.has(key) || over()) return false;
    tried.add(key);
    return exchange(board, group, over);
  };
  const exactly = (item: number): boolean => {
    const near = neighbours(board, item, order, ideals);
    return TOGETHER.some((size) => asGroup(near.slice(0, size)));
  };
  /** With every other, one by one: what stands in the way of a second choice is no neighbour. */
  const withEach = (item: number): boolean =>
    order.length <= FEW && order.some((other) => other !== item && asGroup([item, other]));
  const ifWanting =
    (move: Move): Move =>
    (item) =>
      wanting(item) && move(item);
  const cheap: readonly Move[] = [
    ifWanting((item) => again(board, item)),
    ...ASKING_PRICES.map((price) => ifWanting((item) => push(board, item, order, price * cord))),
    (item) => giveUp(board, item, order, ideals),
  ];
  const dear: readonly Move[] = [
    ifWanting(exactly),
    ifWanting(withEach),
    ifWanting((item) => replace(board, item, order, neighbours(board, item, order, ideals), over)),
  ];
  /** Each move for each item, until nothing helps any more or an end is made of it. */
  const goThrough = (moves: readonly Move[], isEnough: () => boolean): void => {
    for (let pass = 0; pass < MOST_PASSES; pass++) {
      let better = false;
      for (const move of moves)
        for (const item of order)
          if (!isEnough() && move(item)) {
            better = true;
            tried.clear();
          }
      if (!better || isEnough()) return;
    }
  };
  goThrough([...cheap, ...dear], over);
  // What the last dear move changed may leave something cheap to do, though the work is up.
  const atEnd = board.finder.settled;
  if (over()) goThrough(cheap, () => cancelled() || board.finder.settled - atEnd > MOST_WORK_AT_END);
}

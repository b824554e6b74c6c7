import type { Board, ItemWays } from './board';
import { exchange } from './exchange';
import type { Cancelled } from './negotiate';
import { rivalsOf } from './rivals';

const MOST_PASSES = 6;
/** States the searches of one polishing may take up: some tenths of a second. */
const MOST_WORK = 200_000;
/** Prices of a conflict at which somebody else's place is asked for, in cords. */
const ASKING_PRICES = [0.05, 0.6, 2.5] as const;
/** A way that pushes more than this many others aside is left alone. */
const MOST_PUSHED = 4;
/** Items that are looked at together, exactly. */
const MOST_TOGETHER = 9;
/** Differences below this are rounding. */
const TINY = 0.5;

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

/** An item without a way takes the place of one that has one, where that is cheaper. */
function replace(board: Board, item: number, order: readonly number[]): boolean {
  if (board.ways(item) !== undefined) return false;
  for (const other of order) {
    const before = board.ways(other);
    if (before === undefined || other === item) continue;
    const cost = board.costOf([item, other]);
    board.set(other, undefined);
    board.set(item, board.find(item));
    board.set(other, board.find(other));
    if (board.costOf([item, other]) < cost - TINY) return true;
    board.set(item, undefined);
    board.set(other, undefined);
    board.set(other, before);
  }
  return false;
}

/** An item, those in the way of what it would like best, and those in the way of theirs. */
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
    for (const rival of rivalsOf(board, liked, order))
      if (!group.includes(rival) && group.length < MOST_TOGETHER) group.push(rival);
  }
  return group;
}

/**
 * Makes a routing cheaper until nothing tried helps: each item again, places asked of others, and small
 * groups exactly.
 * @param ideals the ways of each item on an empty board, which nothing can beat.
 */
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
  const enough = board.finder.settled + MOST_WORK;
  const over = (): boolean => cancelled() || board.finder.settled > enough;
  const tried = new Set<string>();
  const exactly = (item: number): boolean => {
    const group = neighbours(board, item, order, ideals);
    const key = [...group].sort((a, b) => a - b).join(' ');
    if (tried.has(key)) return false;
    tried.add(key);
    return exchange(board, group, over);
  };
  const moves: readonly ((item: number) => boolean)[] = [
    (item) => again(board, item),
    ...ASKING_PRICES.map((price) => (item: number) => push(board, item, order, price * cord)),
    (item) => replace(board, item, order),
    exactly,
  ];
  for (let pass = 0; pass < MOST_PASSES; pass++) {
    let better = false;
    for (const move of moves)
      for (const item of order)
        if (!over() && wanting(item) && move(item)) {
          better = true;
          tried.clear();
        }
    if (!better || over()) return;
  }
}

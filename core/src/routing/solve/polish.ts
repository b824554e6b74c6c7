import type { Board, ItemWays } from './board';
import { exchange } from './exchange';
import type { Cancelled } from './negotiate';
import { rivalsOf } from './rivals';

const MOST_PASSES = 4;
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
  const own = board.costOf([item]);
  board.set(item, undefined);
  const wanted = board.find(item, { perConflict });
  const rivals = wanted === undefined ? [] : rivalsOf(board, wanted, order);
  if (wanted === undefined || rivals.length === 0 || rivals.length > MOST_PUSHED) {
    board.set(item, before);
    return false;
  }
  board.set(item, before);
  const group = [item, ...rivals];
  const cost = rivals.length === 0 ? own : board.costOf(group);
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
  const wanting = (item: number): boolean =>
    (least[item] ?? Infinity) < Infinity && board.costOf([item]) > (least[item] ?? 0) + TINY;
  for (let pass = 0; pass < MOST_PASSES; pass++) {
    let better = false;
    for (const item of order) if (!cancelled() && wanting(item)) better = again(board, item) || better;
    for (const price of ASKING_PRICES)
      for (const item of order)
        if (!cancelled() && wanting(item)) better = push(board, item, order, price * cord) || better;
    for (const item of order)
      if (!cancelled() && wanting(item))
        better = exchange(board, neighbours(board, item, order, ideals)) || better;
    if (!better || cancelled()) return;
  }
}

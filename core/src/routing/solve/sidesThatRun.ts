import type { Board, ItemWays } from './board';
import type { Standing } from './putBack';
import { rivalsOf } from './rivals';
import { CLEAR } from './terms';
import type { Way } from './way';

/** The sides of a wide item that run, where some do and some do not. */
function runningSides(standing: Standing, item: number): readonly Way[] {
  const sides = standing[item] ?? [];
  const ways = sides.filter((way): way is Way => way !== undefined);
  return ways.length === sides.length ? [] : ways;
}

/** Ways that leave the sides of a wide item that run where they are, and bring the others beside them. */
function completed(board: Board, standing: Standing, item: number): ItemWays | undefined {
  const [it, sides] = [board.items[item], standing[item] ?? []];
  if (it?.slots === undefined || runningSides(standing, item).length === 0) return undefined;
  const slot = it.slots.find((lanes) =>
    lanes.every((lane, side) => sides[side] === undefined || sides[side].end === lane),
  );
  if (slot === undefined) return undefined;
  const ways = [...sides];
  const claimed = sides.filter((way): way is Way => way !== undefined);
  for (const way of claimed) board.table.claim(way);
  it.demands.forEach((demand, side) => {
    if (ways[side] !== undefined) return;
    const mates = claimed.filter(({ start }) => start === demand.start);
    const way = board.finder.find(demand, { ...CLEAR, ends: (lane) => lane === slot[side] }, mates);
    if (way === undefined) return;
    ways[side] = way;
    claimed.push(way);
    board.table.claim(way);
  });
  for (const way of claimed) board.table.release(way);
  return ways.every((way): way is Way => way !== undefined) ? ways : undefined;
}

/** Wide items of which some sides run get the others beside them, as far as that goes without moving a side. */
export function completeSides(board: Board, standing: Standing, items: readonly number[]): readonly number[] {
  return items.filter((item) => {
    const ways = completed(board, standing, item);
    board.set(item, ways);
    if (ways !== undefined && board.conflicts(item) === 0) return true;
    board.set(item, undefined);
    return false;
  });
}

/**
 * Where wide items have no way, their sides that run run on: newcomers that sit in their place look for
 * another, unless fewer would run then.
 */
export function keepSides(board: Board, standing: Standing, items: Iterable<number>): void {
  for (const item of items) {
    const isKept = board.ways(item) !== undefined || board.sidesOf(item).length > 0;
    const ways = isKept ? [] : runningSides(standing, item);
    for (const way of ways) keepSide(board, standing, item, way);
  }
}

function keepSide(board: Board, standing: Standing, item: number, way: Way): void {
  const newcomers = rivalsOf(board, [way], [...board.items.keys()]).filter(
    (rival) => standing[rival]?.every((side) => side === undefined) === true,
  );
  const before = newcomers.map((each) => board.ways(each));
  for (const each of newcomers) board.set(each, undefined);
  board.keepSide(item, way);
  const fits = board.table.conflicts(way) === 0;
  for (const each of newcomers) board.set(each, fits ? board.find(each) : undefined);
  const lost = newcomers.filter((each) => board.ways(each) === undefined);
  const threads = lost.reduce((sum, each) => sum + (board.items[each]?.demands.length ?? 0), 0);
  if (fits && threads <= 1) return;
  board.letGo(item, way);
  for (const each of newcomers) board.set(each, undefined);
  newcomers.forEach((each, i) => {
    board.set(each, before[i]);
  });
}

import type { Board, ItemWays } from './board';

/** Rounds after which what is still in dispute is decided otherwise. */
const MOST_ROUNDS = 30;
/** Price of a conflict in the first round, in cords, and by how much it grows. */
const FIRST_PRICE = 0.5;
const GROWTH = 1.35;
/** What a resource in dispute costs more from then on, in cords. */
const MEMORY = 0.2;

/** Called between searches; true gives up. */
export type Cancelled = () => boolean;

function rememberDisputes(board: Board, items: readonly number[], points: number): void {
  const { table } = board;
  const seen = new Set<number>();
  for (const item of items)
    for (const way of board.ways(item) ?? []) {
      way.resources.forEach((resource, i) => {
        if (seen.has(resource) || table.against(resource, way.values[i] ?? 0) === 0) return;
        seen.add(resource);
        table.history[resource] = (table.history[resource] ?? 0) + points;
      });
      for (const { thing } of way.takes)
        if (table.short(thing) > 0) table.hookHistory[thing] = (table.hookHistory[thing] ?? 0) + points / 4;
    }
}

/**
 * Negotiated congestion (McMurchie & Ebeling, PathFinder, FPGA 1995): every item takes its cheapest way,
 * over others where it must; what is in dispute grows dearer, round by round, until those that can go
 * elsewhere do. Only items in dispute move. Ends with no two ways in conflict: items that found no
 * agreement are taken off the board, the last of the input list first.
 * @param order the items to route, most important first.
 * @param ideals what each would take if it were alone: it has that where nobody before it is in the way.
 */
export function negotiate(
  board: Board,
  order: readonly number[],
  ideals: readonly (ItemWays | undefined)[],
  cancelled: Cancelled,
): void {
  for (const item of order) {
    if (board.ways(item) !== undefined || board.mates(item).length > 0) continue;
    board.set(item, ideals[item]);
    if (board.conflicts(item) > 0) board.set(item, undefined);
  }
  const cord = board.space.weights.keep + board.space.weights['few-cords'];
  let price = FIRST_PRICE * cord;
  for (let round = 0; round < MOST_ROUNDS; round++, price *= GROWTH) {
    const open = order.filter((item) => board.ways(item) === undefined || board.conflicts(item) > 0);
    if (open.length === 0) return;
    for (const item of open) {
      if (cancelled()) return;
      if (board.ways(item) !== undefined && board.conflicts(item) === 0) continue;
      board.set(item, undefined);
      board.set(item, board.find(item, { perConflict: price }));
    }
    const disputed = order.filter((item) => board.conflicts(item) > 0);
    if (disputed.length === 0) break;
    rememberDisputes(board, disputed, MEMORY * cord);
  }
  settle(board, order);
}

/** Takes off what is in conflict, the last first, and puts back what has room after all. */
function settle(board: Board, order: readonly number[]): void {
  const off: number[] = [];
  for (const item of [...order].reverse())
    if (board.conflicts(item) > 0) {
      board.set(item, undefined);
      off.unshift(item);
    }
  for (const item of off) board.set(item, board.find(item));
}

import type { Board, ItemWays } from './board';
import { favourAsking } from './favour';
import type { Cancelled } from './negotiate';
import { negotiate } from './negotiate';
import { polish } from './polish';
import type { Standing } from './putBack';
import { putBack, standingOf } from './putBack';
import { completeSides, keepSides } from './sidesThatRun';

/**
 * missing: threads that run stay, the rest find their way around them; others move only where one would
 * otherwise find none. stay: the same, and nobody moves. all: everything is weighed anew, by the session's
 * preferences.
 */
export type RouteMode = 'missing' | 'stay' | 'all';

export interface Task {
  /** A board with what was decided by hand, and nothing else. */
  readonly makeBoard: () => Board;
  /** Ways that items have now, side by side; undefined where a side does not run. */
  readonly standing: Standing;
  /** Items asked for, most important first. */
  readonly wanted: readonly number[];
  readonly mode: RouteMode;
  readonly cancelled: Cancelled;
}

/** Puts items where they stand, as far as that holds together. */
export function putStanding(board: Board, standing: Standing): readonly number[] {
  const missing: number[] = [];
  for (const item of standing.keys()) {
    const ways = standingOf(standing, item);
    board.set(item, ways);
    if (ways !== undefined && board.conflicts(item) === 0 && endsTogether(board, item, ways)) continue;
    board.set(item, undefined);
    missing.push(item);
  }
  return missing;
}

/** Whether the sides of a wide item end in one of its slots. */
const endsTogether = (board: Board, item: number, ways: ItemWays): boolean =>
  board.items[item]?.slots?.some((slot) => slot.every((lane, side) => ways[side]?.end === lane)) ?? true;

/** What each item would take if it were alone. */
function idealsOf(board: Board, items: readonly number[], cancelled: Cancelled): (ItemWays | undefined)[] {
  const ideals: (ItemWays | undefined)[] = [];
  for (const item of items) if (!cancelled()) ideals[item] = board.find(item);
  return ideals;
}

const unroutedOn = (board: Board, items: Iterable<number>): number =>
  [...items].reduce((count, item) => {
    const threads = board.items[item]?.demands.length ?? 0;
    return count + (board.ways(item) === undefined ? threads - board.sidesOf(item).length : 0);
  }, 0);

/** Routes items on a board where others may not move. */
function around(task: Task): { readonly board: Board; readonly missing: readonly number[] } {
  const board = task.makeBoard();
  const missing = putStanding(board, task.standing);
  const completed = completeSides(
    board,
    task.standing,
    missing.filter((item) => task.wanted.includes(item)),
  );
  const open = missing.filter((item) => task.wanted.includes(item) && !completed.includes(item));
  const others = [...board.items.keys()].filter((item) => !open.includes(item));
  keepSides(board, task.standing, others);
  for (const item of others) board.freeze(item);
  const ideals = idealsOf(board, open, task.cancelled);
  negotiate(board, open, ideals, task.cancelled);
  polish(board, open, ideals, task.cancelled);
  keepSides(board, task.standing, open);
  return { board, missing: open };
}

/** Items up to which it is worth beginning a second time, from the other end of the list. */
const FEW_ITEMS = 16;

/**
 * Routes all items together. Where something is left without a way, few of them are tried from the other
 * end of the list as well: who comes first decides who is left out.
 * @param first what comes of the list in its order, where that is known.
 */
function together(task: Task, first?: Board): Board {
  const board = first ?? inOrder(task, (order) => order);
  const items = [...board.items.keys()];
  if (items.length > FEW_ITEMS || unroutedOn(board, task.wanted) === 0 || task.cancelled()) return board;
  const other = inOrder(task, (order) => [...order].reverse());
  return other.total() < board.total() ? other : board;
}

/** Routes all items together, beginning from where they stand. */
function inOrder(task: Task, arrange: (order: readonly number[]) => readonly number[]): Board {
  const board = task.makeBoard();
  const order = arrange([...board.items.keys()]);
  const ideals = idealsOf(board, order, task.cancelled);
  putStanding(board, task.standing);
  for (const item of order) if (board.ways(item) !== undefined) board.prefer(item);
  const playing = order.filter((item) => board.ways(item) !== undefined || task.wanted.includes(item));
  negotiate(board, playing, ideals, task.cancelled);
  polish(board, playing, ideals, task.cancelled);
  putBack(board, task.standing, task.mode === 'all');
  keepSides(board, task.standing, order);
  return board;
}

/** Carries out a task; undefined where it was cancelled. */
export function solve(task: Task): Board | undefined {
  const board = solved(task);
  if (board !== undefined)
    favourAsking(
      board,
      (item) => task.wanted.includes(item) && standingOf(task.standing, item) === undefined,
    );
  return board;
}

function solved(task: Task): Board | undefined {
  if (task.mode === 'all') {
    const board = together(task);
    return task.cancelled() ? undefined : board;
  }
  const first = around(task);
  if (unroutedOn(first.board, first.missing) === 0 || task.mode === 'stay')
    return task.cancelled() ? undefined : first.board;
  const isFromNothing = first.missing.length === first.board.items.length;
  const second = together(task, isFromNothing ? first.board : undefined);
  if (task.cancelled()) return undefined;
  // Nobody moves for nothing, and nobody is stopped so that another runs instead.
  const all = [...second.items.keys()];
  return unroutedOn(second, all) < unroutedOn(first.board, all) ? second : first.board;
}

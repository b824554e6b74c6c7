import type { Board, ItemWays } from './board';
import { rivalsOf } from './rivals';
import type { Way } from './way';

/** Ways that items have now, side by side; undefined where a side does not run. */
export type Standing = readonly (readonly (Way | undefined)[])[];

const TINY = 0.5;

/** Where an item stood, if all its sides ran. */
export function standingOf(standing: Standing, item: number): ItemWays | undefined {
  const sides = standing[item] ?? [];
  const ways = sides.filter((way): way is Way => way !== undefined);
  return ways.length === sides.length ? ways : undefined;
}

/** Whether an item has another way than it had. */
export function hasMoved(board: Board, standing: Standing, item: number): boolean {
  const [before, now] = [standingOf(standing, item), board.ways(item)];
  return before !== undefined && now !== undefined && before.some((way, side) => !sameSteps(way, now[side]));
}

/** Whether two ways take the same steps. */
export const sameSteps = (a: Way, b: Way | undefined): boolean =>
  a.steps.length === b?.steps.length &&
  a.steps.every(({ from, to }, i) => from === b.steps[i]?.from && to === b.steps[i].to);

/** An item that has moved, and all whose places it would need to go back: those that moved too, and newcomers. */
export interface Dependants {
  readonly moved: readonly number[];
  readonly newcomers: readonly number[];
}

/** Who sits where a moved item stood, and who sits where those stood, and so on. */
export function dependantsOf(board: Board, standing: Standing, item: number): Dependants {
  const all = [...board.items.keys()];
  const moved = [item];
  const newcomers = new Set<number>();
  for (const each of moved) {
    const before = standingOf(standing, each);
    if (before === undefined) continue;
    for (const rival of rivalsOf(board, before, all)) {
      if (rival === each || moved.includes(rival)) continue;
      if (hasMoved(board, standing, rival)) moved.push(rival);
      else if (standingOf(standing, rival) === undefined) newcomers.add(rival);
    }
  }
  return { moved, newcomers: [...newcomers] };
}

/**
 * Puts items that have moved back to where they stood, wherever that stops nobody: alone, together with others
 * that moved for them, or with newcomers that find a way elsewhere.
 * @param onlyIfNoDearer goes back only where the board gets no dearer by it.
 */
export function putBack(board: Board, standing: Standing, onlyIfNoDearer: boolean): void {
  for (const item of board.items.keys()) {
    if (!hasMoved(board, standing, item)) continue;
    const { moved, newcomers } = dependantsOf(board, standing, item);
    const group = [...moved, ...newcomers];
    const before = group.map((each) => board.ways(each));
    const cost = board.total();
    const put = (ways: readonly (ItemWays | undefined)[]): void => {
      for (const each of group) board.set(each, undefined);
      group.forEach((each, i) => {
        board.set(each, ways[i]);
      });
    };
    put(moved.map((each) => standingOf(standing, each)));
    for (const newcomer of newcomers) board.set(newcomer, board.find(newcomer));
    const holds =
      group.every((each) => board.ways(each) !== undefined && board.conflicts(each) === 0) &&
      (!onlyIfNoDearer || board.total() <= cost + TINY);
    if (!holds) put(before);
  }
}

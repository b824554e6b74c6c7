import type { ThreadId } from '../../rig/ids';
import type { Board } from './board';
import type { Standing } from './putBack';
import { dependantsOf, hasMoved, sameSteps, standingOf } from './putBack';

/** What a movement bought: threads that run now and did not before, or, of everything weighed anew, points. */
export interface Gain {
  readonly runs: readonly ThreadId[];
  /** Points by which all is cheaper than if it, and those that moved together with it, stood where they did. */
  readonly savedPoints: number;
}

/** What would be dearer if items stood where they did; nothing else is in their way. */
function dearerBefore(board: Board, standing: Standing, items: readonly number[]): number {
  const now = items.map((item) => board.ways(item));
  const cost = board.total();
  for (const item of items) board.set(item, standingOf(standing, item));
  const before = board.total();
  items.forEach((item, i) => {
    board.set(item, now[i]);
  });
  return before - cost;
}

/** Sides of a wide item that have moved so that its other sides run. */
function gainOfSides(board: Board, standing: Standing, item: number): readonly (readonly [ThreadId, Gain])[] {
  const { demands } = board.items[item] ?? { demands: [] };
  const runs = demands.flatMap(({ thread }, side) => (standing[item]?.[side] === undefined ? [thread] : []));
  return demands.flatMap(({ thread }, side): (readonly [ThreadId, Gain])[] => {
    const [before, now] = [standing[item]?.[side], board.ways(item)?.[side]];
    const isMoved = before !== undefined && now !== undefined && !sameSteps(before, now);
    return isMoved && runs.length > 0 ? [[thread, { runs, savedPoints: 0 }]] : [];
  });
}

/** For each thread that ran and has moved what that bought. The board is as it was afterwards. */
export function gainsOf(board: Board, standing: Standing): ReadonlyMap<ThreadId, Gain> {
  const gains = new Map<ThreadId, Gain>();
  for (const [item, { demands }] of board.items.entries()) {
    for (const [thread, gain] of gainOfSides(board, standing, item)) gains.set(thread, gain);
    if (!hasMoved(board, standing, item)) continue;
    const { moved, newcomers } = dependantsOf(board, standing, item);
    const runs = newcomers.flatMap((each) => board.items[each]?.demands.map(({ thread }) => thread) ?? []);
    const savedPoints = runs.length === 0 ? dearerBefore(board, standing, moved) : 0;
    for (const { thread } of demands) gains.set(thread, { runs, savedPoints });
  }
  return gains;
}

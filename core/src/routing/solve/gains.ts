import type { ThreadId } from '../../rig/ids';
import type { Board } from './board';
import type { Standing } from './putBack';
import { dependantsOf, hasMoved, standingOf } from './putBack';

/** What a movement bought: threads that run now and did not before, or, of everything weighed anew, points. */
export interface Gain {
  readonly runs: readonly ThreadId[];
  /** Points by which it, and those that moved together with it, are cheaper than they were. */
  readonly savedPoints: number;
}

/** For each thread that ran and has moved what that bought. */
export function gainsOf(board: Board, standing: Standing): ReadonlyMap<ThreadId, Gain> {
  const gains = new Map<ThreadId, Gain>();
  const costOf = (item: number, ways = board.ways(item)): number =>
    (ways ?? []).reduce((sum, { cost }) => sum + cost, 0);
  for (const [item, { demands }] of board.items.entries()) {
    if (!hasMoved(board, standing, item)) continue;
    const { moved, newcomers } = dependantsOf(board, standing, item);
    const runs = newcomers.flatMap((each) => board.items[each]?.demands.map(({ thread }) => thread) ?? []);
    const savedPoints = moved.reduce(
      (sum, each) => sum + costOf(each, standingOf(standing, each)) - costOf(each),
      0,
    );
    for (const { thread } of demands) gains.set(thread, { runs, savedPoints });
  }
  return gains;
}

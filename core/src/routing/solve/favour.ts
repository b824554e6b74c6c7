import type { Board } from './board';

const TINY = 0.5;

/** Whether one item comes before another of the same source: it asks for more, or stands before it in the list. */
function comesBefore(board: Board, item: number, other: number): boolean {
  const [own, others] = [item, other].map((each) => board.items[each]?.demands[0]?.asks ?? 0);
  return (own ?? 0) > (others ?? 0) || (own === others && item < other);
}

/**
 * Of threads of one source of which not all find an end, those that ask for more get theirs first, then those that
 * stand first, where that costs no more: as the patch is read afterwards.
 * @param mayStop whether an item may be left out instead of another.
 */
export function favourAsking(board: Board, mayStop: (item: number) => boolean): void {
  for (const item of board.items.keys()) {
    if (board.ways(item) !== undefined) continue;
    const unit = [item, ...board.mates(item)];
    for (const mate of board.mates(item)) {
      const way = board.ways(mate);
      if (way === undefined || !mayStop(mate) || comesBefore(board, mate, item)) continue;
      const cost = board.costOf(unit);
      board.set(mate, undefined);
      board.set(item, board.find(item));
      if (board.ways(item) !== undefined && board.costOf(unit) <= cost + TINY) break;
      board.set(item, undefined);
      board.set(mate, way);
    }
  }
}

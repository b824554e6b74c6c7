import type { ThreadId } from '../../rig/ids';
import type { Thread } from '../../session/sessionSchema';
import type { Inquiry } from './inquiry';
import type { Holder, Remedy } from './obstacle';
import type { PinRef } from './pinned';
import { demandWithoutPin, pinsOf } from './pinned';
import { Board } from '../solve/board';
import { CLEAR } from '../solve/terms';
import type { Way } from '../solve/way';

/** More holders than these are not tried one by one. */
const MOST_HOLDERS = 6;

/** The first of the thread's own pins without which it finds a way around all others. */
const ownPin = (inquiry: Inquiry): PinRef | undefined =>
  pinsOf(inquiry.thread).find(
    ({ role }) =>
      inquiry.board.finder.find(demandWithoutPin(inquiry, inquiry.thread, role), CLEAR) !== undefined,
  );

/** A board with every thread where it runs, but for some. */
function boardWithout({ board, ways }: Inquiry, out: ReadonlySet<ThreadId>): Board {
  const { space, items } = board;
  const made = new Board(space, items);
  items.forEach(({ demands }, item) => {
    const own = demands.flatMap(({ thread }): readonly Way[] => {
      const way = out.has(thread) ? undefined : ways.get(thread);
      return way === undefined ? [] : [way];
    });
    if (own.length === demands.length) made.set(item, own);
  });
  return made;
}

/** A pin of a holder without which both find a way, each around all others. */
function pinOfHolder(inquiry: Inquiry, holder: Thread): PinRef | undefined {
  const { demand, thread } = inquiry;
  const { items } = inquiry.board;
  const board = boardWithout(inquiry, new Set([holder.id, thread.id]));
  const way = board.finder.find(demand, CLEAR);
  const item = items.findIndex(({ demands }) => demands.length === 1 && demands[0]?.thread === thread.id);
  if (way === undefined || item < 0) return undefined;
  board.set(item, [way]);
  const own = items.flatMap(({ demands }) => demands).find((each) => each.thread === holder.id);
  return pinsOf(holder).find(
    ({ role }) =>
      own !== undefined &&
      board.finder.find(demandWithoutPin({ ...inquiry, demand: own }, holder, role), CLEAR) !== undefined,
  );
}

/**
 * The least that would give a thread a way where others hold what it needs: one of its own pins, then a pin
 * of one that stands in its way, then one of them left out of the scene. Each is tried, none is guessed.
 */
export function remedyFor(inquiry: Inquiry, holders: readonly Holder[]): Remedy | undefined {
  const own = ownPin(inquiry);
  if (own !== undefined) return { code: 'unpin', pin: own };
  const ids = [...new Set(holders.flatMap(({ thread }) => thread ?? []))].slice(0, MOST_HOLDERS);
  const threads = ids.flatMap((id) => inquiry.threads.find((each) => each.id === id) ?? []);
  for (const holder of threads) {
    const pin = pinOfHolder(inquiry, holder);
    if (pin !== undefined) return { code: 'unpin', pin };
  }
  const left = threads.find(
    ({ id }) => boardWithout(inquiry, new Set([id])).finder.find(inquiry.demand, CLEAR) !== undefined,
  );
  return left && { code: 'leave-out', thread: left.id };
}

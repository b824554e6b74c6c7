import { endsWhereNamed } from '../session/purposes';
import { reach } from '../graph/reach';
import type { SignalGraph } from '../graph/signalGraph';
import type { Thread } from '../session/sessionSchema';
import type { Realisation } from './realise';
import { realise } from './realise';
import { dawInputs, leadOf, sideOf, slotsOf } from './slots';

/** Threads that are the sides of one, in their order. Feeds end where they say, so theirs need no seats together. */
export function wideThreads(threads: readonly Thread[]): readonly (readonly Thread[])[] {
  const groups = new Map<string, Thread[]>();
  for (const thread of threads) groups.set(leadOf(thread), [...(groups.get(leadOf(thread)) ?? []), thread]);
  return [...groups.values()]
    .filter((sides) => sides.length > 1 && sides.every(({ purpose }) => !endsWhereNamed(purpose)))
    .map((sides) => sides.sort((a, b) => sideOf(a) - sideOf(b)));
}

/** The slots of a wide thread, as the ends of the sides there are. */
function slotsFor(graph: SignalGraph, sides: readonly Thread[]): readonly (readonly number[])[] {
  const width = Math.max(...sides.map(sideOf)) + 1;
  return slotsOf(graph, width).map((slot) => sides.map((side) => slot[sideOf(side)] ?? -1));
}

const endOf = ({ path }: Realisation): number => path.at(-1)?.to ?? -1;

/** Whether the sides of a wide thread run, and end in one slot. */
export const sitsTogether = (
  graph: SignalGraph,
  sides: readonly Thread[],
  own: readonly Realisation[],
): boolean =>
  own.every(({ complete }) => complete) &&
  slotsFor(graph, sides).some((slot) => own.every((each, i) => endOf(each) === slot[i]));

/**
 * How the sides of a wide thread run into one slot: of those that all of them reach the one that leaves most
 * others an end, then the nearest. Nothing where there is none.
 * @param others how many threads beside them still run where these ends are taken.
 */
export function seatsOf(
  graph: SignalGraph,
  sides: readonly Thread[],
  others: (ends: ReadonlySet<number>) => number,
): readonly Realisation[] {
  const reached = sides.map(({ from }) => reach(graph, [graph.laneIndex.get(from) ?? -1], 'from'));
  const slots = slotsFor(graph, sides).filter((slot) =>
    slot.every((lane, i) => reached[i]?.has(lane) === true),
  );
  let best:
    { readonly seats: readonly Realisation[]; readonly others: number; readonly hops: number } | undefined;
  for (const slot of slots) {
    const seats = sides.map((side, i) => {
      const elsewhere = new Set(dawInputs(graph).filter((lane) => lane !== slot[i]));
      return realise(graph, side, undefined, elsewhere);
    });
    if (!seats.every((each, i) => each.complete && endOf(each) === slot[i])) continue;
    const found = {
      seats,
      others: others(new Set(slot)),
      hops: seats.reduce((sum, { path }) => sum + path.length, 0),
    };
    const isBetter =
      best === undefined ||
      found.others > best.others ||
      (found.others === best.others && found.hops < best.hops);
    if (isBetter) best = found;
  }
  return best?.seats ?? [];
}

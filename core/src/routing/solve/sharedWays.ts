import type { Demand } from './demand';
import { ordersOf } from './orders';
import type { Way } from './way';
import type { WideTask } from './wideWays';

/** Sides one after another into a slot, in a given order: what one has is there for the next to share. */
function inTurn(
  { finder, demands, terms, matesOf }: WideTask,
  slot: readonly number[],
  order: readonly number[],
): readonly Way[] | undefined {
  const { table } = finder;
  const ways = new Map<number, Way>();
  for (const side of order) {
    const demand: Demand | undefined = demands[side];
    if (demand === undefined) break;
    const own = [...ways.values()].filter(({ start }) => start === demand.start);
    const ends = (lane: number): boolean => lane === slot[side];
    const way = finder.find(demand, { ...terms, ends }, [...matesOf(demand), ...own]);
    if (way === undefined) break;
    table.claim(way);
    ways.set(side, way);
  }
  for (const way of ways.values()) table.release(way);
  return ways.size === demands.length ? demands.flatMap((_, side) => ways.get(side) ?? []) : undefined;
}

/**
 * The cheapest ways of the sides of a wide thread of which some start from one source and share what they can:
 * every slot, in every order, as long as the dearest side alone leaves room for something cheaper.
 * @param priceOf what ways cost together, what they share paid once.
 */
export function sharedWays(
  task: WideTask,
  priceOf: (ways: readonly Way[]) => number,
): readonly Way[] | undefined {
  const { finder, demands, slots, terms, matesOf } = task;
  const alone = demands.map((demand, side) => {
    const ends = new Set(slots.map((slot) => slot[side]));
    const own = { ...terms, ends: (lane: number) => ends.has(lane) };
    return new Map(finder.toEnds(demand, own, matesOf(demand)).map(({ end, least }) => [end, least]));
  });
  const candidates = slots
    .map((slot) => ({
      slot,
      least: Math.max(...slot.map((lane, side) => alone[side]?.get(lane) ?? Infinity)),
    }))
    .filter(({ least }) => least < Infinity)
    .sort((a, b) => a.least - b.least);
  let best: { readonly ways: readonly Way[]; readonly price: number } | undefined;
  for (const { slot, least } of candidates) {
    if (best !== undefined && least >= best.price) break;
    for (const order of ordersOf(demands.map((_, side) => side))) {
      const ways = inTurn(task, slot, order);
      const price = ways === undefined ? Infinity : priceOf(ways);
      if (ways !== undefined && (best === undefined || price < best.price)) best = { ways, price };
    }
  }
  return best?.ways;
}

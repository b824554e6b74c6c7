import type { CordStock } from '../rig/rigSchema';
import type { Cord } from '../session/sessionSchema';

/** Stocks with a cord left on the hook, shortest first, so that the first that fits is the best. */
export function stocksLeft(stocks: readonly CordStock[], cords: readonly Cord[]): readonly CordStock[] {
  const taken = new Map<string, number>();
  for (const cord of cords) taken.set(cord.stock, (taken.get(cord.stock) ?? 0) + 1);
  return stocks
    .filter((stock) => stock.count > (taken.get(stock.id) ?? 0))
    .sort((a, b) => a.lengthM - b.lengthM || (a.id < b.id ? -1 : 1));
}

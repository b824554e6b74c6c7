import type { StockId } from '../rig/ids';
import type { CordStock } from '../rig/rigSchema';
import type { FloorCord } from '../session/floorSchema';

/** What kinds of cord there are, and how many of each can still be given to something. */
export interface Kinds {
  readonly ids: readonly StockId[];
  readonly supply: (id: StockId) => number;
  /** Whether a cord of one kind does the work of another: the same, or with the same plugs and no shorter. */
  readonly canBe: (kind: StockId, wanted: StockId) => boolean;
}

const plugsOf = ({ connectors }: CordStock): string => [...connectors].sort().join(' ');

function countOf(cords: readonly FloorCord[]): ReadonlyMap<StockId, number> {
  const counts = new Map<StockId, number>();
  for (const { stock } of cords) counts.set(stock, (counts.get(stock) ?? 0) + 1);
  return counts;
}

/**
 * @param floor the cords on the floor: those are there, whatever the rig counts, even of a kind it has lost.
 * @param given those of them that have their place already.
 */
export function kindsOf(
  stocks: readonly CordStock[],
  floor: readonly FloorCord[],
  given: readonly FloorCord[],
): Kinds {
  const byId = new Map(stocks.map((stock) => [stock.id, stock]));
  const [inUse, away] = [countOf(floor), countOf(given)];
  return {
    ids: [...new Set([...byId.keys(), ...inUse.keys()])],
    supply: (id) => Math.max(byId.get(id)?.count ?? 0, inUse.get(id) ?? 0) - (away.get(id) ?? 0),
    canBe(kind, wanted) {
      if (kind === wanted) return true;
      const [a, b] = [byId.get(kind), byId.get(wanted)];
      return a !== undefined && b !== undefined && plugsOf(a) === plugsOf(b) && a.lengthM >= b.lengthM;
    },
  };
}

import type { StockId } from '../rig/ids';
import type { CordStock } from '../rig/rigSchema';
import type { FloorCord } from '../session/floorSchema';
import type { WantedCord } from './step';

/** A cord on the floor that becomes a wanted one when one of its ends is moved. */
export interface Move {
  readonly cord: FloorCord;
  readonly end: 'from' | 'to';
  readonly becomes: WantedCord;
}

/** What becomes of the cords on the floor, and where the wanted ones come from. */
export interface Pairing {
  readonly kept: readonly FloorCord[];
  readonly moves: readonly Move[];
  readonly pulls: readonly FloorCord[];
  readonly plugs: readonly WantedCord[];
}

/** Which cords of the hook may stand in for others: as many of each kind as nothing wanted needs. */
class Spare {
  private readonly left = new Map<StockId, number>();
  private readonly stocks: ReadonlyMap<StockId, CordStock>;

  constructor(stocks: readonly CordStock[], wanted: readonly WantedCord[]) {
    this.stocks = new Map(stocks.map((stock) => [stock.id, stock]));
    for (const { id, count } of stocks) this.left.set(id, count);
    for (const { stock } of wanted) this.left.set(stock, (this.left.get(stock) ?? 0) - 1);
  }

  /** Whether a cord of one kind can do the work of another: the same plugs, and no shorter. Takes it if so. */
  takes(here: StockId, instead: StockId): boolean {
    if (here === instead) return true;
    const [a, b] = [this.stocks.get(here), this.stocks.get(instead)];
    const left = this.left.get(here) ?? 0;
    if (a === undefined || b === undefined || left < 1) return false;
    if (a.connectors.join() !== b.connectors.join() || a.lengthM < b.lengthM) return false;
    this.left.set(here, left - 1);
    return true;
  }
}

const sameAdaptors = (cord: FloorCord, wanted: WantedCord): boolean =>
  cord.fromAdaptor === wanted.fromAdaptor && cord.toAdaptor === wanted.toAdaptor;

const isThere = (cord: FloorCord, wanted: WantedCord): boolean =>
  cord.id === wanted.from && cord.to === wanted.to;

/** The end to move so that a cord becomes another; undefined where they share no end. */
function endToMove(cord: FloorCord, wanted: WantedCord): 'from' | 'to' | undefined {
  if (cord.id === wanted.from) return 'to';
  return cord.to === wanted.to ? 'from' : undefined;
}

/** For each cord the wanted ones it can become by one movement, those of its own kind first. */
function movesOf(
  cords: readonly FloorCord[],
  wanted: readonly WantedCord[],
  spare: Spare,
): readonly (readonly number[])[] {
  const sharing = cords.map((cord) =>
    [...wanted.keys()].filter((i) => {
      const other = wanted[i];
      // One between the right jacks but of the wrong kind shares both ends; moving one helps nothing.
      if (other === undefined || isThere(cord, other)) return false;
      return endToMove(cord, other) !== undefined && sameAdaptors(cord, other);
    }),
  );
  const isOwn = (cord: FloorCord, i: number): boolean => wanted[i]?.stock === cord.stock;
  return cords.map((cord, c) => [
    ...(sharing[c] ?? []).filter((i) => isOwn(cord, i)),
    ...(sharing[c] ?? []).filter(
      (i) => !isOwn(cord, i) && spare.takes(cord.stock, wanted[i]?.stock ?? cord.stock),
    ),
  ]);
}

/**
 * The largest matching between cords and what each can become.
 * @returns for each wanted cord the one that becomes it, or -1.
 * @remarks Augmenting paths: Kuhn, Naval Research Logistics 2, 1955.
 */
function largestMatching(options: readonly (readonly number[])[], wantedCount: number): readonly number[] {
  const takenBy = new Array<number>(wantedCount).fill(-1);
  const augment = (cord: number, seen: Set<number>): boolean =>
    (options[cord] ?? []).some((i) => {
      if (seen.has(i)) return false;
      seen.add(i);
      const holder = takenBy[i] ?? -1;
      if (holder >= 0 && !augment(holder, seen)) return false;
      takenBy[i] = cord;
      return true;
    });
  for (const cord of options.keys()) augment(cord, new Set());
  return takenBy;
}

/**
 * Pairs the cords on the floor with those wanted so that the fewest movements of a hand remain: one that
 * is there already stays; one that shares an end with a wanted one is moved; the rest is pulled or plugged.
 */
export function pairing(
  floor: readonly FloorCord[],
  wanted: readonly WantedCord[],
  stocks: readonly CordStock[],
): Pairing {
  const spare = new Spare(stocks, wanted);
  const kept = new Map<FloorCord, WantedCord>();
  for (const cord of floor) {
    const there = wanted.find((each) => isThere(cord, each));
    if (there !== undefined && sameAdaptors(cord, there) && spare.takes(cord.stock, there.stock))
      kept.set(cord, there);
  }
  const done = new Set(kept.values());
  const loose = floor.filter((cord) => !kept.has(cord));
  const open = wanted.filter((each) => !done.has(each));
  const options = movesOf(loose, open, spare);
  const takenBy = largestMatching(options, open.length);
  const moves = open.flatMap((becomes, i): Move[] => {
    const cord = loose[takenBy[i] ?? -1];
    const end = cord === undefined ? undefined : endToMove(cord, becomes);
    return cord === undefined || end === undefined ? [] : [{ cord, end, becomes }];
  });
  const moved = new Set(moves.map(({ cord }) => cord));
  return {
    kept: [...kept.keys()],
    moves,
    pulls: loose.filter((cord) => !moved.has(cord)),
    plugs: open.filter((_, i) => (takenBy[i] ?? -1) < 0),
  };
}

import { MinHeap } from '../minHeap';
import type { Board, ItemWays } from './board';
import type { Cancelled } from './negotiate';
import { clashIn } from './clash';
import { ordersOf } from './orders';
import { CLEAR } from './terms';
import type { Way } from './way';

/** Branches after which the best so far is taken. */
const MOST_BRANCHES = 240;
const TINY = 0.5;
/** Of branches that cost the same the newest first: it is the nearest to an end without a clash. */
const DEEPER = 1e-3;

/** What a unit has: ways by item, in the unit's order, and what they cost together. */
interface UnitWays {
  readonly ways: readonly (ItemWays | undefined)[];
  readonly cost: number;
}

interface Branch {
  readonly units: readonly UnitWays[];
  readonly bans: readonly ReadonlySet<number>[];
  readonly cost: number;
}

const waysIn = ({ ways }: UnitWays): readonly Way[] => ways.flatMap((own) => own ?? []);

/** Items with all that share their sources, together: the group in units. */
function unitsOf(board: Board, group: readonly number[]): readonly (readonly number[])[] {
  const seen = new Set<number>();
  return group.flatMap((item) => {
    if (seen.has(item)) return [];
    const unit = [item];
    for (const each of unit) for (const mate of board.mates(each)) if (!unit.includes(mate)) unit.push(mate);
    for (const each of unit) seen.add(each);
    return [unit.sort((a, b) => a - b)];
  });
}

/** Places items one after another, and takes them off again. */
function inTurn(
  board: Board,
  unit: readonly number[],
  order: readonly number[],
  find: (item: number, first: boolean) => ItemWays | undefined,
): UnitWays {
  order.forEach((item, i) => {
    board.set(item, find(item, i === 0));
  });
  const placed = { ways: unit.map((item) => board.ways(item)), cost: board.costOf(unit) };
  for (const item of order) board.set(item, undefined);
  return placed;
}

/**
 * The cheapest ways of a unit that is off the board: one after another, in whichever order is best. Where
 * some find none, the first goes by a mult, so that the others can branch off there.
 */
export function place(
  board: Board,
  unit: readonly number[],
  bans: ReadonlySet<number> = new Set(),
): UnitWays {
  const terms = { ...CLEAR, bans };
  const cheapest = (list: readonly UnitWays[]): UnitWays => list.reduce((a, b) => (b.cost < a.cost ? b : a));
  const orders = ordersOf(unit);
  const best = cheapest(orders.map((order) => inTurn(board, unit, order, (item) => board.find(item, terms))));
  if (unit.length < 2 || best.ways.every((ways) => ways !== undefined)) return best;
  const byMult = orders.map((order) =>
    inTurn(board, unit, order, (item, first) =>
      first ? board.findByMult(item, terms) : board.find(item, terms),
    ),
  );
  return cheapest([best, ...byMult]);
}

/**
 * Looks for the cheapest ways of a few items together, everything else staying: where two of the best ways
 * clash, either the one or the other has to do without, and both are tried, cheapest first. Exact as long
 * as the branches last; what shares a source is placed as one.
 * @param over asked now and then; true ends it with the board as it was.
 * @returns whether the board has become cheaper.
 */
export function exchange(board: Board, group: readonly number[], over: Cancelled): boolean {
  const units = unitsOf(board, group);
  const items = units.flat();
  const before = items.map((item) => board.ways(item));
  const bound = board.costOf(items);
  for (const item of items) board.set(item, undefined);
  const best = search(board, units, bound, over)?.flatMap(({ ways }) => ways);
  items.forEach((item, i) => {
    board.set(item, best === undefined ? before[i] : best[i]);
  });
  return best !== undefined;
}

// eslint-disable-next-line max-lines-per-function -- one search: its branches share the heap
function search(
  board: Board,
  units: readonly (readonly number[])[],
  bound: number,
  over: Cancelled,
): Branch['units'] | undefined {
  const branches: Branch[] = [];
  const heap = new MinHeap();
  const open = (placed: Branch['units'], bans: Branch['bans']): void => {
    const cost = placed.reduce((sum, unit) => sum + unit.cost, 0);
    if (cost >= bound - TINY) return;
    heap.push(branches.length, cost - branches.length * DEEPER);
    branches.push({ units: placed, bans, cost });
  };
  const none: Branch['bans'] = units.map(() => new Set<number>());
  const known = new Map<string, UnitWays>();
  /** Everything else stays where it is meanwhile, so equal bans give equal ways. */
  const placed = (member: number, bans: ReadonlySet<number>): UnitWays => {
    const key = `${String(member)} ${[...bans].sort((a, b) => a - b).join(' ')}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const made = place(board, units[member] ?? [], bans);
    known.set(key, made);
    return made;
  };
  open(
    units.map((_, member) => placed(member, new Set())),
    none,
  );
  while (heap.size > 0 && branches.length < MOST_BRANCHES && !over()) {
    const branch = branches[heap.pop()];
    if (branch === undefined) return undefined;
    const clash = clashIn(board.space, branch.units.map(waysIn), (thing) => board.table.left(thing));
    if (clash === undefined) return branch.units;
    clash.members.forEach((member, i) => {
      const own = new Set([...(branch.bans[member] ?? []), clash.keys[i] ?? 0]);
      const other = placed(member, own);
      open(
        branch.units.map((unit, k) => (k === member ? other : unit)),
        branch.bans.map((bans, k) => (k === member ? own : bans)),
      );
    });
  }
  return undefined;
}

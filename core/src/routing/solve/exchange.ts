import { MinHeap } from '../minHeap';
import type { Board, ItemWays } from './board';
import type { Cancelled } from './negotiate';
import { banKey, banThingKey, CLEAR } from './terms';
import type { Way } from './way';
import { startValue } from './way';

/** Branches after which the best so far is taken. */
const MOST_BRANCHES = 240;
const TINY = 0.5;
/** Of branches that cost the same the newest first: it is the nearest to an end without a clash. */
const DEEPER = 1e-3;
/** Items of one source that are placed in every order. */
const MOST_PERMUTED = 3;

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

/** Two members that cannot both have what they have, and what each would have to do without. */
interface Clash {
  readonly members: readonly number[];
  readonly keys: readonly number[];
}

const waysIn = ({ ways }: UnitWays): readonly Way[] => ways.flatMap((own) => own ?? []);

/** The first resource that two members claim with different values. */
function clashIn(board: Board, units: Branch['units']): Clash | undefined {
  const lanes = board.space.graph.lanes.length;
  const holder = new Map<number, { member: number; value: number }>();
  for (const [member, unit] of units.entries())
    for (const { resources, values } of waysIn(unit))
      for (let i = 0; i < resources.length; i++) {
        const [resource, value] = [resources[i] ?? -1, values[i] ?? -1];
        const held = holder.get(resource);
        if (held === undefined) holder.set(resource, { member, value });
        else if (held.value !== value && held.member !== member) {
          // A lane or jack serves one source: one of the two keeps off it, whatever way it would come.
          const whole =
            resource < 2 * lanes &&
            value !== startValue(board.space) &&
            held.value !== startValue(board.space);
          const keys = [held.value, value].map((each) => (whole ? banKey(resource) : banKey(resource, each)));
          return { members: [held.member, member], keys };
        }
      }
  return shortageIn(board, units);
}

/** Something off the hook that the members take more of than is left. */
function shortageIn(board: Board, units: Branch['units']): Clash | undefined {
  const takers = new Map<number, { taken: Set<string>; members: Set<number> }>();
  for (const [member, unit] of units.entries())
    for (const { takes } of waysIn(unit))
      for (const { thing, jack, nth } of takes) {
        const at = takers.get(thing) ?? { taken: new Set<string>(), members: new Set<number>() };
        takers.set(thing, at);
        at.taken.add(`${String(jack)} ${String(nth)}`);
        at.members.add(member);
      }
  for (const [thing, { taken, members }] of takers)
    if (taken.size > board.table.left(thing)) {
      const list = [...members];
      return { members: list, keys: list.map(() => banThingKey(thing)) };
    }
  return undefined;
}

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

/** Every order of a few; of more, the given one and its reverse. */
function ordersOf(items: readonly number[]): readonly (readonly number[])[] {
  if (items.length < 2) return [items];
  if (items.length > MOST_PERMUTED) return [items, [...items].reverse()];
  return items.flatMap((first) =>
    ordersOf(items.filter((item) => item !== first)).map((rest) => [first, ...rest]),
  );
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
  open(
    units.map((unit) => place(board, unit, new Set())),
    none,
  );
  while (heap.size > 0 && branches.length < MOST_BRANCHES && !over()) {
    const branch = branches[heap.pop()];
    if (branch === undefined) return undefined;
    const clash = clashIn(board, branch.units);
    if (clash === undefined) return branch.units;
    clash.members.forEach((member, i) => {
      const own = new Set([...(branch.bans[member] ?? []), clash.keys[i] ?? 0]);
      const placed = place(board, units[member] ?? [], own);
      open(
        branch.units.map((unit, k) => (k === member ? placed : unit)),
        branch.bans.map((bans, k) => (k === member ? own : bans)),
      );
    });
  }
  return undefined;
}

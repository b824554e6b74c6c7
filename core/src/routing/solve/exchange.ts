import { MinHeap } from '../minHeap';
import type { Board, ItemWays } from './board';
import { UNROUTED_POINTS } from './board';
import { banKey, banThingKey, CLEAR } from './wayfinder';
import { startValue } from './way';

/** Branches after which the best so far is taken. */
const MOST_BRANCHES = 240;
const TINY = 0.5;

interface Branch {
  readonly ways: readonly (ItemWays | undefined)[];
  readonly bans: readonly ReadonlySet<number>[];
  readonly cost: number;
}

/** Two members that cannot both have what they have, and what each would have to do without. */
interface Clash {
  readonly members: readonly number[];
  readonly keys: readonly number[];
}

const costOf = (ways: ItemWays | undefined, threads: number): number =>
  ways === undefined ? UNROUTED_POINTS * threads : ways.reduce((sum, { cost }) => sum + cost, 0);

/** The first resource that two members claim with different values. */
function clashIn(board: Board, ways: Branch['ways']): Clash | undefined {
  const lanes = board.space.graph.lanes.length;
  const holder = new Map<number, { member: number; value: number }>();
  for (const [member, own] of ways.entries())
    for (const { resources, values } of own ?? [])
      for (let i = 0; i < resources.length; i++) {
        const [resource, value] = [resources[i] ?? -1, values[i] ?? -1];
        const held = holder.get(resource);
        if (held === undefined) holder.set(resource, { member, value });
        else if (held.value !== value && held.member !== member) {
          // A lane or jack serves one source: one of the two keeps off it, whatever way it would come.
          const whole = resource < 2 * lanes && value !== startValue(board.space) && held.value !== startValue(board.space);
          const keys = [held.value, value].map((each) => (whole ? banKey(resource) : banKey(resource, each)));
          return { members: [held.member, member], keys };
        }
      }
  return shortageIn(board, ways);
}

/** Something off the hook that the members take more of than is left. */
function shortageIn(board: Board, ways: Branch['ways']): Clash | undefined {
  const takers = new Map<number, { cords: Set<number>; members: Set<number> }>();
  for (const [member, own] of ways.entries())
    for (const { takes } of own ?? [])
      for (const { thing, jack } of takes) {
        const at = takers.get(thing) ?? { cords: new Set(), members: new Set() };
        takers.set(thing, at);
        at.cords.add(jack);
        at.members.add(member);
      }
  for (const [thing, { cords, members }] of takers)
    if (cords.size > board.table.left(thing)) {
      const list = [...members];
      return { members: list, keys: list.map(() => banThingKey(thing)) };
    }
  return undefined;
}

/**
 * Looks for the cheapest ways of a few items together, everything else staying: where two of the best ways
 * clash, either the one or the other has to do without, and both are tried, cheapest first. Exact as long
 * as the branches last; items that share a source are left alone.
 * @returns whether the board has become cheaper.
 */
export function exchange(board: Board, group: readonly number[]): boolean {
  if (group.length < 2 || group.some((item) => board.mates(item).length > 0)) return false;
  const before = group.map((item) => board.ways(item));
  const bound = board.costOf(group);
  for (const item of group) board.set(item, undefined);
  const best = search(board, group, bound);
  group.forEach((item, i) => {
    board.set(item, best === undefined ? before[i] : best[i]);
  });
  return best !== undefined;
}

function search(board: Board, group: readonly number[], bound: number): Branch['ways'] | undefined {
  const threads = group.map((item) => board.items[item]?.demands.length ?? 1);
  const priced = (ways: Branch['ways'], bans: Branch['bans']): Branch => ({
    ways,
    bans,
    cost: ways.reduce((sum, own, i) => sum + costOf(own, threads[i] ?? 1), 0),
  });
  const branches: Branch[] = [];
  const heap = new MinHeap();
  const open = (branch: Branch): void => {
    if (branch.cost >= bound - TINY) return;
    heap.push(branches.length, branch.cost);
    branches.push(branch);
  };
  open(
    priced(
      group.map((item) => board.find(item)),
      group.map(() => new Set()),
    ),
  );
  while (heap.size > 0 && branches.length < MOST_BRANCHES) {
    const branch = branches[heap.pop().state];
    if (branch === undefined) return undefined;
    const clash = clashIn(board, branch.ways);
    if (clash === undefined) return branch.ways;
    clash.members.forEach((member, i) => {
      const bans = branch.bans.map((own, k) => (k === member ? new Set([...own, clash.keys[i] ?? 0]) : own));
      const ways = branch.ways.map((own, k) =>
        k === member ? board.find(group[member] ?? -1, { ...CLEAR, bans: bans[member] ?? new Set() }) : own,
      );
      open(priced(ways, bans));
    });
  }
  return undefined;
}

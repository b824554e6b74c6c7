import type { StockId } from '../rig/ids';
import type { FloorCord } from '../session/floorSchema';
import type { Pipe } from './cheapestFlow';
import { cheapestFlow } from './cheapestFlow';
import { ringsIn } from './rings';
import type { Use } from './sharedEnds';
import type { Kinds } from './standIns';
import type { Move, WantedCord } from './step';

/** Points of one movement of a hand, and of another kind of cord than was wanted: only equals are told apart by it. */
const MOVEMENT = 1000;
const STAND_IN = 1;
/** A cord that nobody has: dearer than all movements together. */
const MISSING = 1_000_000_000;
/** Assignments tried until the best so far is taken, where rings are made of stand-ins. */
const MOST_TRIES = 200;

/** One way to come by a wanted cord: a cord on the floor, or one off the hook. */
export interface Source {
  readonly wanted: number;
  readonly kind: StockId;
  readonly cord?: number;
  readonly use?: Use;
  readonly cost: number;
}

interface Task {
  readonly floor: readonly FloorCord[];
  readonly wanted: readonly WantedCord[];
  readonly kinds: Kinds;
  readonly sources: readonly Source[];
}

/** A task with a source for each wanted cord; undefined where there is no such cord. */
export interface Assigned {
  readonly given: readonly (Source | undefined)[];
  readonly moves: readonly Move[];
  readonly cost: number;
}

/** Every way to come by each wanted cord. A cord of the floor saves the pull. */
function sourcesOf(
  floor: readonly FloorCord[],
  wanted: readonly WantedCord[],
  kinds: Kinds,
  uses: (cord: FloorCord, wanted: WantedCord) => Use | undefined,
): readonly Source[] {
  const standIn = (kind: StockId, i: number): number => (kind === wanted[i]?.stock ? 0 : STAND_IN);
  const fromFloor = floor.flatMap((cord, c) =>
    wanted.flatMap((each, i): Source[] => {
      const use = kinds.canBe(cord.stock, each.stock) ? uses(cord, each) : undefined;
      if (use === undefined) return [];
      const cost = (use === 'stays' ? 0 : MOVEMENT) + standIn(cord.stock, i);
      return [{ wanted: i, kind: cord.stock, cord: c, use, cost }];
    }),
  );
  const offHook = wanted.flatMap(({ stock }, i) =>
    kinds.ids
      .filter((kind) => kinds.canBe(kind, stock))
      .map((kind): Source => ({ wanted: i, kind, cost: 2 * MOVEMENT + standIn(kind, i) })),
  );
  return [...fromFloor, ...offHook];
}

/**
 * Gives each wanted cord its source at the least cost in all: no cord twice, and no more of a kind than there
 * are. The network: all, kinds, cords of the floor, wanted cords, done.
 * @param still cords of the floor that are not to be moved.
 */
function givenTo({ floor, wanted, kinds, sources }: Task, still: ReadonlySet<number>): Assigned['given'] {
  const [all, done] = [0, 1];
  const kindNode = new Map(kinds.ids.map((id, i) => [id, 2 + i]));
  const cordNode = (c: number): number => 2 + kinds.ids.length + c;
  const wantedNode = (i: number): number => cordNode(floor.length) + i;
  const allowed = sources.filter(
    ({ cord, use }) => cord === undefined || use === 'stays' || !still.has(cord),
  );
  const pipe = (from: number, to: number, capacity: number, cost: number): Pipe => ({
    ...{ from, to, capacity, cost },
  });
  const pipes = [
    ...allowed.map(({ wanted: i, kind, cord, cost }) =>
      pipe(cord === undefined ? (kindNode.get(kind) ?? -1) : cordNode(cord), wantedNode(i), 1, cost),
    ),
    ...kinds.ids.map((id) => pipe(all, kindNode.get(id) ?? -1, kinds.supply(id), 0)),
    ...floor.map(({ stock }, c) => pipe(kindNode.get(stock) ?? -1, cordNode(c), 1, 0)),
    ...wanted.map((_, i) => pipe(all, wantedNode(i), 1, MISSING)),
    ...wanted.map((_, i) => pipe(wantedNode(i), done, 1, 0)),
  ];
  const units = cheapestFlow(wantedNode(wanted.length), pipes, all, done);
  const given = new Array<Source | undefined>(wanted.length).fill(undefined);
  allowed.forEach((source, k) => {
    if (units[k] === 1) given[source.wanted] = source;
  });
  return given;
}

function movesIn({ floor, wanted }: Task, given: Assigned['given']): readonly Move[] {
  return given.flatMap((source, i): Move[] => {
    const [cord, becomes] = [floor[source?.cord ?? -1], wanted[i]];
    const end = source?.use;
    if (cord === undefined || becomes === undefined || end === undefined || end === 'stays') return [];
    return [{ cord, end, becomes: { ...becomes, stock: cord.stock } }];
  });
}

/**
 * The least cost with what rings cost counted in: one movement each, to break it. A ring is as dear as with one of
 * its cords pulled, so that it may waste a stand-in; where it uses one, each of its cords is tried pulled.
 */
function leastCost(task: Task, still: ReadonlySet<number>, work: { left: number }): Assigned {
  work.left--;
  const given = givenTo(task, still);
  const moves = movesIn(task, given);
  const rings = ringsIn(moves);
  const paid = given.reduce((sum, source) => sum + (source?.cost ?? MISSING), 0);
  const own: Assigned = { given, moves, cost: paid + rings.length * MOVEMENT };
  const wasteful = rings.find((ring) => ring.some(({ cord, becomes }) => isStandIn(task, cord, becomes)));
  if (wasteful === undefined) return own;
  return wasteful.reduce((best, { cord }) => {
    if (work.left <= 0) return best;
    const without = leastCost(task, new Set([...still, task.floor.indexOf(cord)]), work);
    return without.cost < best.cost ? without : best;
  }, own);
}

const isStandIn = ({ wanted }: Task, cord: FloorCord, { from }: WantedCord): boolean =>
  wanted.find((each) => each.from === from)?.stock !== cord.stock;

/**
 * Where each wanted cord comes from, so that the fewest movements of a hand are needed in all, rings counted in;
 * of equals the one with the fewest stand-ins.
 * @param uses how a cord of the floor becomes a wanted one of the same plugs; undefined where it cannot by one
 * movement.
 */
export const assignment = (
  floor: readonly FloorCord[],
  wanted: readonly WantedCord[],
  kinds: Kinds,
  uses: (cord: FloorCord, wanted: WantedCord) => Use | undefined,
): Assigned =>
  leastCost({ floor, wanted, kinds, sources: sourcesOf(floor, wanted, kinds, uses) }, new Set(), {
    left: MOST_TRIES,
  });

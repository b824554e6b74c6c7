import type { LaneId, RoomId, StockId } from '../rig/ids';
import type { CordStock } from '../rig/rigSchema';
import type { FloorCord } from '../session/floorSchema';
import type { Pairing } from './pairing';
import type { CordStep } from './step';

/** Where a jack is: the room and its place on the walk through it. */
export interface Spot {
  readonly room: RoomId | undefined;
  readonly place: number;
}

/** What the order of cord steps depends on besides the cords. */
export interface Walk {
  readonly spotOf: (jack: LaneId) => Spot;
  /** The rooms in the order somebody walks through them, the one they stand in first. */
  readonly rooms: readonly RoomId[];
  /** Whether something plugged into a jack is heard by loudspeakers or headphones directly. */
  readonly isHeard: (jack: LaneId) => boolean;
}

/** The jack somebody stands at for a step. */
export function jackOfStep(step: CordStep): LaneId {
  if (step.kind === 'pull') return step.cord.id;
  if (step.kind === 'plug') return step.becomes.from;
  return step.end === 'from' ? step.becomes.from : step.becomes.to;
}

const jacksOf = (step: CordStep): readonly LaneId[] =>
  step.kind === 'pull' ? [step.cord.id, step.cord.to] : [step.becomes.from, step.becomes.to];

const RANK: Readonly<Record<CordStep['kind'], number>> = { pull: 0, move: 1, plug: 2 };

/** The jacks and the hook while the steps are gone through. */
class Bench {
  private readonly held: Set<LaneId>;
  private readonly hook: Map<StockId, number>;

  constructor(floor: readonly FloorCord[], stocks: readonly CordStock[]) {
    this.held = new Set(floor.flatMap(({ id, to }) => [id, to]));
    this.hook = new Map(stocks.map(({ id, count }) => [id, count]));
    for (const { stock } of floor) this.hang(stock, -1);
  }

  /** Whether its jacks are free and its cord at hand. */
  canDo(step: CordStep): boolean {
    if (step.kind === 'pull') return true;
    if (step.kind === 'move') return !this.held.has(step.becomes[step.end]);
    return this.jacksFree(step) && this.onHook(step.becomes.stock) > 0;
  }

  jacksFree(step: CordStep): boolean {
    return jacksOf(step).every((jack) => !this.held.has(jack));
  }

  onHook(stock: StockId): number {
    return this.hook.get(stock) ?? 0;
  }

  do(step: CordStep): void {
    if (step.kind !== 'plug') {
      this.held.delete(step.cord.id);
      this.held.delete(step.cord.to);
    }
    if (step.kind === 'pull') this.hang(step.cord.stock, 1);
    if (step.kind === 'plug') this.hang(step.becomes.stock, -1);
    if (step.kind !== 'pull') for (const jack of jacksOf(step)) this.held.add(jack);
  }

  private hang(stock: StockId, count: number): void {
    this.hook.set(stock, this.onHook(stock) + count);
  }
}

/** The order of two steps that could both be done: heard ones last, then by room, kind and place. */
function before(walk: Walk, here: RoomId | undefined): (a: CordStep, b: CordStep) => number {
  const roomRank = (step: CordStep): number => {
    const { room } = walk.spotOf(jackOfStep(step));
    if (room === here) return -1;
    const at = room === undefined ? -1 : walk.rooms.indexOf(room);
    return at < 0 ? walk.rooms.length : at;
  };
  const isLast = (step: CordStep): number =>
    step.kind !== 'pull' && jacksOf(step).some(walk.isHeard) ? 1 : 0;
  const place = (step: CordStep): number => walk.spotOf(jackOfStep(step)).place;
  return (a, b) =>
    isLast(a) - isLast(b) || roomRank(a) - roomRank(b) || RANK[a.kind] - RANK[b.kind] || place(a) - place(b);
}

/**
 * When nothing can be done, moves wait for each other in a ring: one of them is pulled and plugged
 * instead, which costs one movement more and frees the jack the next one waits for. If none waits, the
 * hook is short of a cord, and the plug is told so.
 */
function breakRing(waiting: readonly CordStep[], bench: Bench): readonly CordStep[] {
  const move = waiting.find((step) => step.kind === 'move');
  if (move?.kind !== 'move') {
    const short = waiting.find((step) => step.kind === 'plug' && bench.jacksFree(step));
    const others = waiting.filter((step) => step !== short);
    return short?.kind === 'plug' ? [{ ...short, isShort: true }, ...others] : [];
  }
  return [
    { kind: 'pull', cord: move.cord },
    { kind: 'plug', becomes: { ...move.becomes, stock: move.cord.stock }, isShort: false },
    ...waiting.filter((step) => step !== move),
  ];
}

const isShort = (step: CordStep | undefined): boolean => step?.kind === 'plug' && step.isShort;

const first = (
  steps: readonly CordStep[],
  order: (a: CordStep, b: CordStep) => number,
): CordStep | undefined =>
  steps.reduce<CordStep | undefined>(
    (best, step) => (best === undefined || order(step, best) < 0 ? step : best),
    undefined,
  );

/**
 * Puts the work with the cords in an order in which every step can be done when its turn comes, with the
 * least walking: whatever can be done in a room is done before the next is entered. What feeds
 * loudspeakers or headphones directly is plugged last.
 */
export function sequence(
  { moves, pulls, plugs }: Pairing,
  floor: readonly FloorCord[],
  stocks: readonly CordStock[],
  walk: Walk,
): readonly CordStep[] {
  const bench = new Bench(floor, stocks);
  let waiting: readonly CordStep[] = [
    ...pulls.map((cord): CordStep => ({ kind: 'pull', cord })),
    ...moves.map((move): CordStep => ({ kind: 'move', ...move })),
    ...plugs.map((becomes): CordStep => ({ kind: 'plug', becomes, isShort: false })),
  ];
  const steps: CordStep[] = [];
  let here = walk.rooms[0];
  while (waiting.length > 0) {
    const order = before(walk, here);
    let next = first(
      waiting.filter((step) => bench.canDo(step)),
      order,
    );
    if (next === undefined) {
      waiting = breakRing([...waiting].sort(order), bench);
      [next] = waiting;
      if (!isShort(next)) continue;
    }
    if (next === undefined) break;
    bench.do(next);
    steps.push(next);
    waiting = waiting.filter((step) => step !== next);
    here = walk.spotOf(jackOfStep(next)).room ?? here;
  }
  return steps;
}

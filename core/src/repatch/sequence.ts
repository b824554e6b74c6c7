import type { LaneId, RoomId } from '../rig/ids';
import type { Adaptor, CordStock } from '../rig/rigSchema';
import type { FloorCord } from '../session/floorSchema';
import type { Pairing } from './pairing';
import type { CordStep, WantedCord } from './step';

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

/** What a cord takes off the hook: itself, and what is pushed onto its plugs. */
const takes = (cord: Pick<FloorCord, 'stock' | 'fromAdaptor' | 'toAdaptor'>): readonly string[] =>
  [cord.stock, cord.fromAdaptor, cord.toAdaptor].filter((id) => id !== undefined);

/** The jacks and the hook while the steps are gone through. */
class Bench {
  private readonly held: Set<LaneId>;
  private readonly hook: Map<string, number>;

  constructor(floor: readonly FloorCord[], hook: readonly (CordStock | Adaptor)[]) {
    this.held = new Set(floor.flatMap(({ id, to }) => [id, to]));
    this.hook = new Map(hook.map(({ id, count }) => [id, count]));
    for (const cord of floor) this.hang(cord, -1);
    // More in the jacks than the rig counts: there are as many, then, and none is left.
    for (const [id, left] of this.hook) this.hook.set(id, Math.max(0, left));
  }

  /** Whether its jacks are free and its cord at hand. */
  canDo(step: CordStep): boolean {
    if (step.kind === 'pull') return true;
    if (step.kind === 'move') return !this.held.has(step.becomes[step.end]);
    return this.jacksFree(step) && this.isAtHand(step.becomes);
  }

  jacksFree(step: CordStep): boolean {
    return jacksOf(step).every((jack) => !this.held.has(jack));
  }

  do(step: CordStep): void {
    if (step.kind !== 'plug') {
      this.held.delete(step.cord.id);
      this.held.delete(step.cord.to);
    }
    if (step.kind === 'pull') this.hang(step.cord, 1);
    if (step.kind === 'plug') this.hang(step.becomes, -1);
    if (step.kind !== 'pull') for (const jack of jacksOf(step)) this.held.add(jack);
  }

  private isAtHand(cord: WantedCord): boolean {
    const needed = takes(cord);
    return needed.every((id) => (this.hook.get(id) ?? 0) >= needed.filter((other) => other === id).length);
  }

  private hang(cord: Pick<FloorCord, 'stock' | 'fromAdaptor' | 'toAdaptor'>, count: number): void {
    for (const id of takes(cord)) this.hook.set(id, (this.hook.get(id) ?? 0) + count);
  }
}

/** The order of two steps that could both be done: by room, kind and place. */
function before(walk: Walk, here: RoomId | undefined): (a: CordStep, b: CordStep) => number {
  const roomRank = (step: CordStep): number => {
    const { room } = walk.spotOf(jackOfStep(step));
    if (room === here) return -1;
    const at = room === undefined ? -1 : walk.rooms.indexOf(room);
    return at < 0 ? walk.rooms.length : at;
  };
  const place = (step: CordStep): number => walk.spotOf(jackOfStep(step)).place;
  return (a, b) => roomRank(a) - roomRank(b) || RANK[a.kind] - RANK[b.kind] || place(a) - place(b);
}

/** Whether a step puts a plug where loudspeakers or headphones hang on directly: all others are done before. */
const isHeardStep = (walk: Walk, step: CordStep): boolean =>
  step.kind !== 'pull' && jacksOf(step).some(walk.isHeard);

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
    { kind: 'plug', becomes: move.becomes, isShort: false },
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

/** Goes through steps as far as they wait for nothing but each other. */
function inOrder(
  steps: readonly CordStep[],
  bench: Bench,
  walk: Walk,
  from: RoomId | undefined,
): readonly CordStep[] {
  let waiting = steps;
  const done: CordStep[] = [];
  let here = from;
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
    done.push(next);
    waiting = waiting.filter((step) => step !== next);
    here = walk.spotOf(jackOfStep(next)).room ?? here;
  }
  return done;
}

/**
 * Puts the work with the cords in an order in which every step can be done when its turn comes, with the
 * least walking: whatever can be done in a room is done before the next is entered. What feeds
 * loudspeakers or headphones directly is plugged when all else is done, whatever walk that takes.
 * @param pairs as `pairing` makes them: nothing else waits for a jack that a heard step leaves.
 * @param hook cords and adaptors by kind, and how many there are.
 */
export function sequence(
  { moves, pulls, plugs }: Pairing,
  floor: readonly FloorCord[],
  hook: readonly (CordStock | Adaptor)[],
  walk: Walk,
): readonly CordStep[] {
  const bench = new Bench(floor, hook);
  const steps = [
    ...pulls.map((cord): CordStep => ({ kind: 'pull', cord })),
    ...moves.map((move): CordStep => ({ kind: 'move', ...move })),
    ...plugs.map((becomes): CordStep => ({ kind: 'plug', becomes, isShort: false })),
  ];
  const early = inOrder(
    steps.filter((step) => !isHeardStep(walk, step)),
    bench,
    walk,
    walk.rooms[0],
  );
  const last = early.at(-1);
  const here = (last && walk.spotOf(jackOfStep(last)).room) ?? walk.rooms[0];
  const late = steps.filter((step) => isHeardStep(walk, step));
  return [...early, ...inOrder(late, bench, walk, here)];
}

import type { Pipe } from '../../repatch/cheapestFlow';
import { cheapestFlow } from '../../repatch/cheapestFlow';
import type { StemWish, SumGround } from './placePoints';
import { CROWDING, mayShare, MOST_SHARING, sharingCost } from './placePoints';

/** What a branch of the search has decided of some places. */
export interface Decided {
  /** They take one sound alone. */
  readonly alone: ReadonlySet<number>;
  /** They are shared: whoever stands there pays for it, the first as well, and who never shares does not get them. */
  readonly shared: ReadonlySet<number>;
  /** So many of those that never share have a place, at most: what is left can be shared. */
  readonly never: number;
}

export interface Way {
  readonly stem: number;
  readonly place: number;
  readonly isMore: boolean;
  readonly points: number;
}

/** Those who stand at a place already, by its index. */
export type Standing = ReadonlyMap<number, readonly StemWish[]>;

/** What is asked: stems without a place, the ground, who stands there. */
export interface Question {
  readonly stems: readonly StemWish[];
  readonly ground: SumGround;
  readonly standing: Standing;
  /** What each stem makes at each place; nothing where it cannot stand there, or is not to. */
  readonly worth: readonly (readonly (number | undefined)[])[];
  /** What the first in a place pays at least where others come beside. */
  readonly leastShare: number;
}

/** Every way to stand somewhere: the first in a place, or one more beside others. */
function waysOf({ stems, ground, standing, worth }: Question, { alone, shared }: Decided): readonly Way[] {
  return stems.flatMap((stem, s) =>
    ground.places.flatMap((_, p): readonly Way[] => {
      const points = worth[s]?.[p];
      if (points === undefined) return [];
      const there = standing.get(p) ?? [];
      const isShared = shared.has(p);
      const paid = points - sharingCost(stem);
      const isFree = there.length === 0 && (!isShared || mayShare(stem));
      const canJoin = mayShare(stem) && there.every(mayShare) && !alone.has(p);
      return [
        ...(isFree ? [{ stem: s, place: p, isMore: false, points: isShared ? paid : points }] : []),
        ...(canJoin ? [{ stem: s, place: p, isMore: true, points: paid }] : []),
      ];
    }),
  );
}

export interface Relaxed {
  readonly taken: readonly Way[];
  readonly points: number;
}

/** How many places can be shared, where so many are taken by those that never share. */
const shareable = ({ ground, standing }: Question, never: number): number =>
  ground.places.filter((_, p) => standing.get(p)?.every(mayShare) !== false).length - never;

/** Pipes from stems over places to what each further sound there costs, and how many places there are for that. */
function pipesOf(question: Question, { shared, never }: Decided, ways: readonly Way[]): readonly Pipe[] {
  const { stems, ground, standing, leastShare } = question;
  const count = ground.places.length;
  const stemNode = (s: number): number => FIRST_FREE + s;
  const firstNode = (p: number): number => FIRST_FREE + stems.length + p;
  const moreNode = (p: number): number => FIRST_FREE + stems.length + count + p;
  const pipe = (from: number, to: number, cost: number, capacity = 1): Pipe => ({ from, to, capacity, cost });
  const most = Math.max(0, shareable(question, never));
  return [
    ...ways.map(({ stem, place, isMore, points }) =>
      pipe(stemNode(stem), (isMore ? moreNode : firstNode)(place), -points),
    ),
    pipe(SOURCE, NEVER, 0, never),
    ...stems.map((stem, s) => pipe(mayShare(stem) ? SOURCE : NEVER, stemNode(s), 0)),
    // Left out at no gain and no loss.
    ...stems.map((_, s) => pipe(stemNode(s), SINK, 0)),
    ...ground.places.flatMap((_, p) => {
      const there = standing.get(p)?.length ?? 0;
      const isUnpaid = there === 0 && !shared.has(p);
      return [
        pipe(firstNode(p), SINK, 0),
        ...CROWDING.slice(0, MOST_SHARING).flatMap((cost, tier) =>
          tier < Math.max(1, there)
            ? []
            : [pipe(moreNode(p), TIERS + tier, cost + (isUnpaid && tier === 1 ? leastShare : 0))],
        ),
      ];
    }),
    ...CROWDING.slice(0, MOST_SHARING).map((_, tier) => pipe(TIERS + tier, SINK, 0, most)),
  ];
}

/** Nodes of the network; stems and places come behind. */
const [SOURCE, SINK, NEVER, TIERS] = [0, 1, 2, 3];
const FIRST_FREE = TIERS + MOST_SHARING;

/**
 * The best assignment where the first in a place pays the least anybody would for others beside it, be it that it never
 * shares: a flow of least cost. No more places are shared than those that never share leave. Its worth bounds that of every
 * assignment in the same branch.
 */
export function relaxed(question: Question, decided: Decided): Relaxed {
  const ways = waysOf(question, decided);
  const pipes = pipesOf(question, decided, ways);
  const nodes = FIRST_FREE + question.stems.length + 2 * question.ground.places.length;
  const units = cheapestFlow(nodes, pipes, SOURCE, SINK);
  const points = pipes.reduce((sum, { cost }, i) => sum - cost * (units[i] ?? 0), 0);
  return { taken: ways.filter((_, i) => units[i] === 1), points };
}

import type { Pipe } from '../../repatch/cheapestFlow';
import { cheapestFlow } from '../../repatch/cheapestFlow';
import { placeKey } from './sumPlace';
import type { StemWish, SumGround } from './placePoints';
import { CROWDING, mayShare, MOST_SHARING, placePoints, sharingCost } from './placePoints';

/** Stems with their places, and what the places given out are worth in all. */
export interface Assignment {
  /** By stem the index of its place; those left out have none. */
  readonly placeOf: ReadonlyMap<string, number>;
  readonly points: number;
  /** False where the search was cut short: there may be better. */
  readonly isProven: boolean;
}

/** What a branch of the search has decided of some places. */
interface Decided {
  /** They take one sound alone. */
  readonly alone: ReadonlySet<number>;
  /** They are shared: whoever stands there pays for it, the first as well, and who never shares does not get them. */
  readonly shared: ReadonlySet<number>;
}

/** Branches looked at before the best so far is taken. */
const MOST_BRANCHES = 3_000;

interface Way {
  readonly stem: number;
  readonly place: number;
  readonly isMore: boolean;
  readonly points: number;
}

/** Those who stand at a place already, by its index. */
type Standing = ReadonlyMap<number, readonly StemWish[]>;

/** What is asked: stems without a place, the ground, who stands there. */
interface Question {
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

interface Relaxed {
  readonly taken: readonly Way[];
  readonly points: number;
}

/**
 * The best assignment where the first in a place pays the least anybody would for others beside it, be it that it never
 * shares: a flow of least cost. Its worth bounds that of every assignment in the same branch.
 */
function relaxed(
  { stems, ground, standing, leastShare }: Question,
  { shared }: Decided,
  ways: readonly Way[],
): Relaxed {
  const count = ground.places.length;
  const [source, sink] = [0, 1];
  const stemNode = (s: number): number => 2 + s;
  const firstNode = (p: number): number => 2 + stems.length + p;
  const moreNode = (p: number): number => 2 + stems.length + count + p;
  const pipe = (from: number, to: number, cost: number): Pipe => ({ from, to, capacity: 1, cost });
  const pipes = [
    ...ways.map(({ stem, place, isMore, points }) =>
      pipe(stemNode(stem), (isMore ? moreNode : firstNode)(place), -points),
    ),
    ...stems.map((_, s) => pipe(source, stemNode(s), 0)),
    // Left out at no gain and no loss.
    ...stems.map((_, s) => pipe(stemNode(s), sink, 0)),
    ...ground.places.flatMap((_, p) => [
      pipe(firstNode(p), sink, 0),
      ...CROWDING.slice(Math.max(1, standing.get(p)?.length ?? 0), MOST_SHARING).map((cost, i) =>
        pipe(moreNode(p), sink, cost + (i === 0 && !standing.has(p) && !shared.has(p) ? leastShare : 0)),
      ),
    ]),
  ];
  const units = cheapestFlow(2 + stems.length + 2 * count, pipes, source, sink);
  const points = pipes.reduce((sum, { cost }, i) => sum - cost * (units[i] ?? 0), 0);
  return { taken: ways.filter((_, i) => units[i] === 1), points };
}

/** A place that others share with a first one who has not paid enough for it. */
function unpaid(
  { stems, leastShare }: Question,
  taken: readonly Way[],
  { shared }: Decided,
): number | undefined {
  const more = new Set(taken.filter(({ isMore }) => isMore).map(({ place }) => place));
  return taken.find(({ stem, place, isMore }) => {
    const own = stems[stem];
    if (isMore || !more.has(place) || shared.has(place) || own === undefined) return false;
    return !mayShare(own) || sharingCost(own) > leastShare;
  })?.place;
}

function standingIn(stems: readonly StemWish[], { places }: SumGround): Standing {
  const standing = new Map<number, StemWish[]>();
  for (const stem of stems) {
    const at = places.findIndex(
      (place) => stem.fixed !== undefined && placeKey(place) === placeKey(stem.fixed),
    );
    if (at >= 0) standing.set(at, [...(standing.get(at) ?? []), stem]);
  }
  return standing;
}

/** A branch with the best there could be in it. */
interface Branch extends Relaxed {
  readonly decided: Decided;
}

/** The branches with the highest bound first: the first that pays for all it shares is the best there is. */
function searched(question: Question): { readonly best?: Relaxed; readonly isProven: boolean } {
  const bounded = (decided: Decided): Branch => ({
    decided,
    ...relaxed(question, decided, waysOf(question, decided)),
  });
  const open: Branch[] = [bounded({ alone: new Set(), shared: new Set() })];
  for (let branches = 1; open.length > 0; branches += 2) {
    const at = open.reduce((most, { points }, i) => (points > (open[most]?.points ?? 0) ? i : most), 0);
    const [first] = open.splice(at, 1);
    if (first === undefined) break;
    const { decided, taken } = first;
    const place = unpaid(question, taken, decided);
    if (place === undefined) return { best: first, isProven: true };
    if (branches > MOST_BRANCHES) return { isProven: false };
    open.push(
      bounded({ ...decided, alone: new Set([...decided.alone, place]) }),
      bounded({ ...decided, shared: new Set([...decided.shared, place]) }),
    );
  }
  return { isProven: true };
}

/**
 * Gives stems the places that are worth most in all: exact, by branching over places, shared or not, each branch bounded by a
 * flow of least cost. Who has a fixed place keeps it. Where a place is shared, all who were given it pay for that, and each
 * further sound costs more.
 * @param barred pairs of a stem and a place index, "vib 3", that are not to be: to ask what would be next best.
 */
export function assignPlaces(
  stems: readonly StemWish[],
  ground: SumGround,
  barred: ReadonlySet<string> = new Set(),
): Assignment {
  const standing = standingIn(stems, ground);
  const free = stems.filter(({ fixed }) => fixed === undefined);
  const costs = free.filter(mayShare).map(sharingCost);
  const leastShare = costs.length === 0 ? 0 : Math.min(...costs);
  const worth = free.map((stem) =>
    ground.places.map((place, p) =>
      barred.has(`${stem.id} ${String(p)}`) ? undefined : placePoints(stem, place, ground),
    ),
  );
  const question: Question = { stems: free, ground, standing, worth, leastShare };
  const { best, isProven } = searched(question);
  const taken = best?.taken ?? [];
  return {
    placeOf: new Map([
      ...[...standing].flatMap(([place, own]) => own.map(({ id }) => [id, place] as const)),
      ...taken.map(({ stem, place }) => [free[stem]?.id ?? '', place] as const),
    ]),
    points: best?.points ?? 0,
    isProven,
  };
}

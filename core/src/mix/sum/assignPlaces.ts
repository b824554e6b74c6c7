import type { Decided, Question, Relaxed, Standing, Way } from './placeBound';
import { relaxed } from './placeBound';
import type { StemWish, SumGround } from './placePoints';
import { mayShare, placePoints, sharingCost } from './placePoints';
import { placeKey } from './sumPlace';

/** Stems with their places, and what the places given out are worth in all. */
export interface Assignment {
  /** By stem the index of its place; those left out have none. */
  readonly placeOf: ReadonlyMap<string, number>;
  readonly points: number;
  /** False where the search was cut short: there may be better. */
  readonly isProven: boolean;
}

/** Branches looked at before good places do, times stems, times places: half a second to a second's work. */
const MOST_WORK = 100_000;
const FEWEST_BRANCHES = 100;
/** So many branches lie between one look straight down and the next. */
const DIVES = 50;

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

/** Both ways to decide a place of a branch. */
function branched(question: Question, { decided }: Branch, place: number): readonly [Branch, Branch] {
  const bounded = (now: Decided): Branch => ({
    decided: now,
    ...relaxed(question, now),
  });
  return [
    bounded({ ...decided, alone: new Set([...decided.alone, place]) }),
    bounded({ ...decided, shared: new Set([...decided.shared, place]) }),
  ];
}

/** Straight down to places that can be: at each turn the way that promises more. */
function divedFrom(question: Question, start: Branch): Branch {
  let at = start;
  for (;;) {
    const place = unpaid(question, at.taken, at.decided);
    if (place === undefined) return at;
    const [alone, shared] = branched(question, at, place);
    at = alone.points > shared.points ? alone : shared;
  }
}

/**
 * The branches with the highest bound first, and from time to time straight down from one of them: what is found there is
 * the best as soon as no branch promises more. Where that takes too many, good places instead of the best.
 */
function searched(
  question: Question,
  mostBranches: number,
): { readonly best: Relaxed; readonly isProven: boolean } {
  const neverCount = question.stems.filter((stem) => !mayShare(stem)).length;
  const open = Array.from({ length: neverCount + 1 }, (_, never): Branch => {
    const decided: Decided = { alone: new Set(), shared: new Set(), never };
    return { decided, ...relaxed(question, decided) };
  });
  let best: Branch | undefined;
  for (let branches = 0; ; branches++) {
    const first = open.reduce((most, branch) => (branch.points > most.points ? branch : most));
    if (branches % DIVES === 0) {
      const found = divedFrom(question, first);
      if (best === undefined || found.points > best.points) best = found;
    }
    if (best !== undefined && best.points >= first.points) return { best, isProven: true };
    const place = unpaid(question, first.taken, first.decided);
    if (place === undefined) return { best: first, isProven: true };
    if (best !== undefined && branches >= mostBranches) return { best, isProven: false };
    open.splice(open.indexOf(first), 1, ...branched(question, first, place));
  }
}

/**
 * Gives stems the places that are worth most in all: exact, by branching over places, shared or not, each branch bounded by a
 * flow of least cost. Who has a fixed place keeps it. Where a place is shared, all who were given it pay for that, and each
 * further sound costs more.
 * @param barred pairs of a stem and a place index, "vib 3", that are not to be: to ask what would be next best.
 * @param mostBranches more are not looked at: the places are good then, and not proven the best.
 */
export function assignPlaces(
  stems: readonly StemWish[],
  ground: SumGround,
  barred: ReadonlySet<string> = new Set(),
  mostBranches = Math.max(FEWEST_BRANCHES, MOST_WORK / (stems.length * ground.places.length)),
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
  const { best, isProven } = searched(question, mostBranches);
  return {
    placeOf: new Map([
      ...[...standing].flatMap(([place, own]) => own.map(({ id }) => [id, place] as const)),
      ...best.taken.map(({ stem, place }) => [free[stem]?.id ?? '', place] as const),
    ]),
    points: best.points,
    isProven,
  };
}

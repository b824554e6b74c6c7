import type { SignalGraph } from '../graph/signalGraph';
import type { LaneId, ThreadId } from '../rig/ids';
import type { Thread } from '../session/sessionSchema';
import { asksOf } from './asks';
import type { Realisation } from './realise';
import { realise } from './realise';
import { dawInputs } from './slots';
import { seatsOf, sitsTogether, wideThreads } from './seats';

/** Threads of one source are given their ends in every order, up to so many of them. */
const MOST_ORDERED = 4;
const NOTHING: ReadonlySet<number> = new Set();
const NOBODY: ReadonlySet<ThreadId> = new Set();

/** Threads whose source feeds others too: which of the ends each takes has to be settled. */
function sharers(threads: readonly Thread[]): ReadonlySet<Thread> {
  const sources = new Map<LaneId, number>();
  for (const { from } of threads) sources.set(from, (sources.get(from) ?? 0) + 1);
  return new Set(threads.filter(({ from }) => (sources.get(from) ?? 0) > 1));
}

/** The DAW input that a side of a wide thread belongs at, from where another side ends. */
function endBeside(
  graph: SignalGraph,
  thread: Thread,
  known: ReadonlyMap<Thread, Realisation>,
): number | undefined {
  const lead = thread.link?.lead ?? thread.id;
  const placeOf = ({ link }: Thread): number => link?.place ?? 1;
  for (const [other, { complete, path }] of known) {
    if (other === thread || !complete || (other.link?.lead ?? other.id) !== lead) continue;
    const end = graph.stations[graph.stationEndingAt[path.at(-1)?.to ?? -1] ?? -1];
    const channel = (end?.channel ?? 0) + placeOf(thread) - placeOf(other);
    const beside = graph.stations.find(
      ({ role, device, channel: own }) => role === 'daw-input' && device === end?.device && own === channel,
    );
    if (beside !== undefined) return beside.out;
  }
  return undefined;
}

const endOf = ({ path }: Realisation): number => path.at(-1)?.to ?? -1;

/** Gives threads of one source their ends one after another, each the nearest that is left. */
function inTurn(
  graph: SignalGraph,
  order: readonly Thread[],
  taken: ReadonlySet<number>,
): readonly Realisation[] {
  const ends = new Set(taken);
  return order.map((thread): Realisation => {
    const realisation = realise(graph, thread, undefined, ends);
    // One whose end is pinned does not give way; where it comes too late, it does not run.
    if (realisation.complete && ends.has(endOf(realisation))) return { ...realisation, complete: false };
    if (realisation.complete) ends.add(endOf(realisation));
    return realisation;
  });
}

function ordersOf(threads: readonly Thread[]): readonly (readonly Thread[])[] {
  if (threads.length < 2) return [threads];
  return threads.flatMap((first) =>
    ordersOf(threads.filter((thread) => thread !== first)).map((rest) => [first, ...rest]),
  );
}

/**
 * The ends of threads of one source: in the order of the list, or, where one would be left without, in the
 * order in which most of them run.
 */
function settled(
  graph: SignalGraph,
  threads: readonly Thread[],
  taken: ReadonlySet<number>,
  owners: ReadonlySet<ThreadId>,
): readonly Realisation[] {
  const first = inTurn(graph, threads, taken);
  if (threads.length > MOST_ORDERED || first.every(({ complete }) => complete)) return first;
  // A side of a wide thread whose other side does not run counts for less than a thread of its own; of
  // equals, those that cords were planned for are meant, and those that ask for more before the rest.
  const worth = ({ thread, complete }: Realisation): number => {
    const meant = (owners.has(thread.id) ? 1 : 0) + 0.01 * asksOf(thread);
    return complete ? 100 - (thread.link === undefined ? 0 : 10) + meant : 0;
  };
  const total = (list: readonly Realisation[]): number => list.reduce((sum, each) => sum + worth(each), 0);
  return ordersOf(threads)
    .map((order) => inTurn(graph, order, taken))
    .reduce((best, list) => (total(list) > total(best) ? list : best), first);
}

type Taken = Map<LaneId, ReadonlySet<number>>;

/** What is known of the threads of a scene so far, and which ends are taken by source. */
interface Progress {
  readonly graph: SignalGraph;
  readonly known: Map<Thread, Realisation>;
  readonly taken: Taken;
}

function keep({ known, taken }: Progress, thread: Thread, realisation: Realisation): void {
  known.set(thread, realisation);
  taken.set(thread.from, new Set([...(taken.get(thread.from) ?? NOTHING), endOf(realisation)]));
}

/** Sides of wide threads that are not side by side yet: they sit in a slot together where there is one. */
function seatWide(progress: Progress, threads: readonly Thread[], sharing: ReadonlySet<Thread>): void {
  const { graph, known } = progress;
  for (const sides of wideThreads(threads)) {
    const own = sides.flatMap((side) => known.get(side) ?? []);
    if (own.length === sides.length && sitsTogether(graph, sides, own)) continue;
    const others = (ends: ReadonlySet<number>): number =>
      [...sharing]
        .filter((thread) => !sides.includes(thread) && sides.some(({ from }) => from === thread.from))
        .filter((thread) => realise(graph, thread, undefined, ends).complete).length;
    for (const realisation of seatsOf(graph, sides, others)) keep(progress, realisation.thread, realisation);
  }
}

/** A side of a wide thread beside its other side, where that has an end already. */
function seatBeside(progress: Progress, sharing: ReadonlySet<Thread>): void {
  const { graph, known } = progress;
  for (const thread of sharing) {
    const end = known.has(thread) ? undefined : endBeside(graph, thread, known);
    if (end === undefined) continue;
    const elsewhere = new Set(dawInputs(graph).filter((lane) => lane !== end));
    const realisation = realise(graph, thread, undefined, elsewhere);
    if (realisation.complete) keep(progress, thread, realisation);
  }
}

/**
 * How all threads of a scene run. The sides of a wide one end side by side; threads of one source end at
 * different DAW inputs, so that as many as can be have an end.
 */
export function realiseAll(graph: SignalGraph, threads: readonly Thread[]): readonly Realisation[] {
  const sharing = sharers(threads);
  const known = new Map<Thread, Realisation>();
  for (const thread of threads) if (!sharing.has(thread)) known.set(thread, realise(graph, thread));
  const progress: Progress = { graph, known, taken: new Map() };
  seatWide(progress, threads, sharing);
  seatBeside(progress, sharing);
  const groups = new Map<LaneId, Thread[]>();
  for (const thread of sharing)
    if (!known.has(thread)) groups.set(thread.from, [...(groups.get(thread.from) ?? []), thread]);
  const owners: ReadonlySet<ThreadId> =
    groups.size === 0 ? NOBODY : new Set(graph.edges.flatMap(({ thread }) => thread ?? []));
  for (const [source, group] of groups)
    for (const realisation of settled(graph, group, progress.taken.get(source) ?? NOTHING, owners))
      known.set(realisation.thread, realisation);
  return threads.map((thread) => known.get(thread) ?? realise(graph, thread));
}

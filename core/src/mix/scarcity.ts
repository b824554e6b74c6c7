import type { SignalGraph } from '../graph/signalGraph';
import type { JobId } from '../rig/ids';
import type { WorkedScene } from '../scene/workedScene';
import { byNumber } from '../session/byNumber';
import type { Track } from '../session/daw/trackSchema';
import type { Job } from '../session/jobSchema';
import type { Want } from './chainUnits';
import { sharesUnit, wantsOf } from './chainUnits';

/** Why of several jobs one is the best to leave live: what it is on changes as long as anything before it does. */
export type KeptLive = 'mix' | 'bus' | 'first';

/** Units that several jobs want, in the order in which those jobs can have them. */
export interface Contention {
  readonly units: readonly Want[];
  /** Committed one after the other, in this order. */
  readonly first: readonly Job[];
  /** Live at last, all together; the best reason to be first. None where every job is to be committed. */
  readonly live: readonly Job[];
  /** Why the first of them, where a person has not said so yet. */
  readonly why?: KeptLive;
  /** More than one wants to be live, which cannot be. */
  readonly isConflict: boolean;
}

/** What a job stands on, the last in the signal first. */
function rankOf({ at, track }: Job, tracks: ReadonlyMap<string, Track>): KeptLive {
  if (at.in !== 'slot') return 'mix';
  const kind = tracks.get(track)?.kind;
  if (kind === 'print') return 'mix';
  return kind === 'group' || kind === 'aux' ? 'bus' : 'first';
}

const RANKS: readonly KeptLive[] = ['mix', 'bus', 'first'];

/** Jobs that hang together by units they share, at least two each. */
function groupsOf(graph: SignalGraph, jobs: readonly Job[]): readonly (readonly Job[])[] {
  const groups: Job[][] = [];
  for (const job of jobs) {
    const met = groups.filter((group) => group.some((other) => sharesUnit(graph, other, job)));
    const joined = [...met.flat(), job];
    groups.splice(0, groups.length, ...groups.filter((group) => !met.includes(group)), joined);
  }
  return groups.filter((group) => group.length > 1).map((group) => [...group].sort(byNumber));
}

const sharedIn = (graph: SignalGraph, group: readonly Job[]): readonly Want[] => {
  const counts = new Map<Want, number>();
  for (const id of group.flatMap((job) => wantsOf(graph, job))) counts.set(id, (counts.get(id) ?? 0) + 1);
  return [...counts].filter(([, count]) => count > 1).map(([id]) => id);
};

/** Jobs of a group that want a unit another of them wants too and that both want live. */
function clashing(graph: SignalGraph, group: readonly Job[]): readonly Job[] {
  const live = group.filter(({ state }) => state === 'live');
  return live.filter((job) => live.some((other) => other !== job && sharesUnit(graph, other, job)));
}

/**
 * Which of those that clash can stay live together: the best first, then each that shares nothing with those before it.
 */
function keptOf(
  graph: SignalGraph,
  clash: readonly Job[],
  tracks: ReadonlyMap<string, Track>,
): readonly Job[] {
  const byRank = [...clash].sort(
    (a, b) => RANKS.indexOf(rankOf(a, tracks)) - RANKS.indexOf(rankOf(b, tracks)) || a.number - b.number,
  );
  const kept: Job[] = [];
  for (const job of byRank) if (!kept.some((other) => sharesUnit(graph, other, job))) kept.push(job);
  return kept;
}

/**
 * Units that several jobs want which are not committed yet. One job stays live, the last in the signal, since it changes
 * as long as anything before it does; the others are committed before, by number. Common practice, no source.
 */
export function contentions({ graph, session }: WorkedScene): readonly Contention[] {
  const { jobs, tracks } = session;
  const byId = new Map(tracks.map((track) => [track.id, track]));
  const open = jobs.filter(({ state }) => state !== 'committed');
  return groupsOf(graph, open).map((group): Contention => {
    const clash = clashing(graph, group);
    const kept = keptOf(graph, clash, byId);
    const first = group.filter(
      (job) => job.state === 'to commit' || (clash.includes(job) && !kept.includes(job)),
    );
    const [best] = kept;
    const live = [...kept, ...group.filter((job) => !first.includes(job) && !kept.includes(job))];
    return {
      ...{ units: sharedIn(graph, group), first, live, isConflict: clash.length > 0 },
      ...(best !== undefined && { why: rankOf(best, byId) }),
    };
  });
}

/** What one unit serves, and when: jobs to commit in order, then the one that is live. */
export interface UnitDay {
  readonly unit: Want;
  readonly jobs: readonly Job[];
}

/** Every unit that a job wants, with its jobs in the order it serves them; units in the order they are first named. */
export function unitDays({ graph, session }: WorkedScene): readonly UnitDay[] {
  const days = new Map<Want, Job[]>();
  for (const job of [...session.jobs].sort(byNumber))
    for (const id of wantsOf(graph, job)) days.set(id, [...(days.get(id) ?? []), job]);
  const place = (job: Job): number => ['committed', 'to commit', 'live'].indexOf(job.state);
  return [...days].map(([unit, jobs]) => ({
    unit,
    jobs: jobs.sort((a, b) => place(a) - place(b) || a.number - b.number),
  }));
}

/** Jobs that a job has to wait for: those to commit before it that want a unit of its own. */
export function waitsFor({ graph, session }: WorkedScene, job: Job): readonly JobId[] {
  return session.jobs
    .filter(
      (other) =>
        other.id !== job.id &&
        other.state === 'to commit' &&
        (job.state === 'live' || other.number < job.number) &&
        sharesUnit(graph, other, job),
    )
    .sort(byNumber)
    .map(({ id }) => id);
}

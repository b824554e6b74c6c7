import type { ThreadId } from '../rig/ids';
import type { Obstacle } from '../routing/why/obstacle';
import { route } from '../routing/route';
import type { CheckContext, PlannedThread } from './context';
import type { ProposedCord } from './findingDetail';

/** For threads that do not run: the cords of the nearest free way, or what stands against it. */
export type NearestWays = ReadonlyMap<ThreadId, readonly ProposedCord[] | Obstacle>;

/** Ways as they were last looked for. */
export interface KnownWays {
  readonly ways: NearestWays;
  /** Something has changed since that may have changed them. */
  readonly stale: boolean;
}

/** Threads that do not reach their end. Where the rig has lost what one asks for, `gone-from-rig` says so. */
export const incompleteThreads = ({ threads, gone }: CheckContext): readonly PlannedThread[] =>
  threads.filter(({ complete, thread }) => !complete && !gone.has(thread.id));

/** Each around all threads that run where they are. */
function aroundOthers({ rig, session, scene }: CheckContext, only: readonly ThreadId[]): NearestWays {
  const { cords, outcomes } = route(rig, session, scene, { only, mode: 'stay' });
  return new Map(
    outcomes.map((outcome): [ThreadId, readonly ProposedCord[] | Obstacle] => {
      if (!outcome.routed) return [outcome.thread, outcome.obstacle];
      const own = cords.filter(({ thread }) => thread === outcome.thread);
      return [outcome.thread, own.map(({ from, to }) => ({ from, to }))];
    }),
  );
}

/** Where others hold the way of a thread but could move: who would have to. */
function withReplans({ rig, session, scene }: CheckContext, ways: NearestWays): NearestWays {
  const held = [...ways].filter(([, way]) => 'code' in way && way.code === 'held').map(([thread]) => thread);
  if (held.length === 0) return ways;
  const { outcomes } = route(rig, session, scene, { only: held });
  const routed = new Set(outcomes.filter((outcome) => outcome.routed).map(({ thread }) => thread));
  const moves = outcomes
    .filter((outcome) => outcome.routed && !outcome.kept && !held.includes(outcome.thread))
    .map(({ thread }) => thread);
  if (moves.length === 0) return ways;
  return new Map(
    [...ways].map(([thread, way]) => [
      thread,
      'code' in way && way.code === 'held' && routed.has(thread)
        ? { ...way, remedy: { code: 're-plan' as const, moves } }
        : way,
    ]),
  );
}

const NO_WAYS: NearestWays = new Map();

/** Looks for a way for every thread that does not run. The dearest part of all checks: a whole routing. */
export function nearestWays(context: CheckContext): NearestWays {
  const incomplete = incompleteThreads(context);
  if (incomplete.length === 0) return NO_WAYS;
  const only = incomplete.map(({ thread }) => thread.id);
  return withReplans(context, aroundOthers(context, only));
}

/** Whether the ways of a context are the ones there are. */
export const areWaysKnown = (context: CheckContext): boolean =>
  context.known?.stale === false || incompleteThreads(context).length === 0;

/** The context with its ways looked for, if they are not known yet. */
export const withWays = (context: CheckContext): CheckContext =>
  context.known?.stale === false
    ? context
    : { ...context, known: { ways: nearestWays(context), stale: false } };

/** The context with whatever ways are known, right or not; the rest is looked for later. */
export const withWaysLater = (context: CheckContext): CheckContext => ({
  ...context,
  known: context.known ?? { ways: NO_WAYS, stale: true },
});

import type { NearestWays } from './knownWays';
import type { ThreadId } from '../rig/ids';
import type { Obstacle } from '../routing/why/obstacle';
import { route } from '../routing/route';
import type { WorkedScene, PlannedThread } from './workedScene';
import type { ProposedCord } from './knownWays';

/** Threads that do not reach their end. Where the rig has lost what one asks for, `gone-from-rig` says so. */
export const incompleteThreads = ({ threads, gone }: WorkedScene): readonly PlannedThread[] =>
  threads.filter(({ complete, thread }) => !complete && !gone.has(thread.id));

/** Each around all threads that run where they are. */
function aroundOthers({ rig, session, scene }: WorkedScene, only: readonly ThreadId[]): NearestWays {
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
function withReplans({ rig, session, scene }: WorkedScene, ways: NearestWays): NearestWays {
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
export function nearestWays(context: WorkedScene): NearestWays {
  const incomplete = incompleteThreads(context);
  if (incomplete.length === 0) return NO_WAYS;
  const only = incomplete.map(({ thread }) => thread.id);
  return withReplans(context, aroundOthers(context, only));
}

/** Whether the ways of a context are the ones there are. */
export const areWaysKnown = (context: WorkedScene): boolean =>
  context.known?.stale === false || incompleteThreads(context).length === 0;

/** The context with its ways looked for, if they are not known yet. */
export const withWays = (context: WorkedScene): WorkedScene =>
  context.known?.stale === false
    ? context
    : { ...context, known: { ways: nearestWays(context), stale: false } };

/** The context with whatever ways are known, right or not; the rest is looked for later. */
export const withWaysLater = (context: WorkedScene): WorkedScene => ({
  ...context,
  known: context.known ?? { ways: NO_WAYS, stale: true },
});

import type { LaneId, ThreadId } from '../../rig/ids';
import type { CheckContext, PlannedThread } from '../context';
import type { Finding } from '../finding';
import type { ProposedCord } from '../findingDetail';
import { brokenLegs } from '../../routing/brokenLegs';
import { route } from '../../routing/route';
import type { Obstacle } from '../../routing/diagnose';
import type { Rule } from '../rule';

/** The nearest free way of each: the cords the router would plug, or what stands against it. */
function nearestWays(
  { rig, session, scene }: CheckContext,
  incomplete: readonly PlannedThread[],
): ReadonlyMap<ThreadId, readonly ProposedCord[] | Obstacle> {
  const only = incomplete.map(({ thread }) => thread.id);
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
function withReplans(
  { rig, session, scene }: CheckContext,
  ways: ReturnType<typeof nearestWays>,
): ReturnType<typeof nearestWays> {
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

function run(context: CheckContext): readonly Finding[] {
  // Where the rig has lost what the thread asks for, `gone-from-rig` says so.
  const incomplete = context.threads.filter(
    ({ complete, thread }) => !complete && !context.gone.has(thread.id),
  );
  if (incomplete.length === 0) return [];
  const ways = withReplans(context, nearestWays(context, incomplete));
  return incomplete.flatMap((planned): Finding[] => {
    const { thread, stopsAt, missing } = planned;
    const way = ways.get(thread.id);
    if (stopsAt === undefined || missing === undefined || way === undefined) return [];
    const lane = (index: number): LaneId => context.graph.lanes[index]?.id ?? thread.from;
    return [
      {
        rule: 'thread-incomplete',
        at: [
          { kind: 'thread', id: thread.id },
          { kind: 'lane', id: lane(stopsAt) },
        ],
        figures: {
          stopsAt: lane(stopsAt),
          role: missing.role,
          ...(missing.station !== undefined && { station: missing.station }),
          ...(missing.lane !== undefined && { lane: missing.lane }),
          legs: brokenLegs(context.graph, thread, context.scene.cords),
          way,
        },
      },
    ];
  });
}

export const threadIncomplete: Rule = {
  id: 'thread-incomplete',
  title: 'Thread does not reach its end',
  severity: 'error',
  stage: 'track',
  why: 'A leg without a realisation is a silent track, usually found when the artist is already playing.',
  limits:
    'The way proposed leaves all threads that run where they are; where none is free so, others may move.',
  run,
};

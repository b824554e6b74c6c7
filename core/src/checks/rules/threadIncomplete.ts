import type { LaneId } from '../../rig/ids';
import type { CheckContext, PlannedThread } from '../context';
import type { Finding } from '../finding';
import type { ProposedCord } from '../findingDetail';
import { route } from '../../routing/route';
import type { Obstacle } from '../../routing/diagnose';
import type { Rule } from '../rule';

/** The nearest free way: the cords the router would plug, or what stands against it. */
function nearestWay(
  { rig, session, scene }: CheckContext,
  planned: PlannedThread,
): readonly ProposedCord[] | Obstacle {
  const { cords, outcomes } = route(rig, session, scene, [planned.thread.id]);
  const outcome = outcomes[0];
  if (outcome?.routed === false) return outcome.obstacle;
  return cords.filter((cord) => cord.thread === planned.thread.id).map(({ from, to }) => ({ from, to }));
}

function run(context: CheckContext): readonly Finding[] {
  return context.threads.flatMap((planned): Finding[] => {
    const { thread, complete, stopsAt, missing } = planned;
    // Where the rig has lost what the thread asks for, `gone-from-rig` says so.
    if (complete || stopsAt === undefined || missing === undefined || context.gone.has(thread.id)) return [];
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
          way: nearestWay(context, planned),
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
    'The way proposed is the cheapest for this thread alone; it leaves all other threads where they are.',
  run,
};

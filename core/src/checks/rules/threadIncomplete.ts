import type { LaneId } from '../../rig/ids';
import { brokenLegs } from '../../routing/brokenLegs';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { incompleteThreads, nearestWays } from '../../scene/nearestWays';
import type { Rule } from '../rule';

function run(context: WorkedScene): readonly Finding[] {
  const ways = context.known?.ways ?? nearestWays(context);
  return incompleteThreads(context).flatMap((planned): Finding[] => {
    const { thread, stopsAt, missing } = planned;
    const way = ways.get(thread.id);
    if (stopsAt === undefined || missing === undefined) return [];
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
          ...(way !== undefined && { way }),
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

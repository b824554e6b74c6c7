import { laneSum } from '../../levels/laneSum';
import type { LaneSum } from '../../levels/laneSum';
import { clipLevel } from '../../scene/clipLevel';
import { addingLanes, isSum } from '../../levels/sumLanes';
import type { Lane } from '../../graph/signalGraph';
import { edgesFrom } from '../../graph/walk';
import { TOLERANCE } from '../../units/tolerance';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { laneRef } from '../../scene/places';
import type { Rule } from '../rule';

interface Over {
  readonly lane: Lane;
  readonly sum: LaneSum & { readonly peak: number; readonly worstPeak: number };
  readonly max: number;
}

/**
 * Where a sum goes over first: at itself, or, as points inside a device or a floating-point host have no maximum of
 * their own, at the first places downstream that have one. Nothing else is added on the way there.
 */
function overFrom(context: WorkedScene, start: number): Over | undefined {
  const { graph, field } = context;
  const ahead = new Set([start]);
  for (const at of ahead) {
    const lane = graph.lanes[at];
    if (lane === undefined || (at !== start && isSum(graph, field, at))) continue;
    const max = clipLevel(context, at);
    if (max === undefined) {
      for (const { to } of edgesFrom(graph, at)) ahead.add(to);
      continue;
    }
    const { peak, worstPeak, ...sum } = laneSum(field, at);
    if (peak === undefined || worstPeak === undefined) continue;
    if (peak - max > TOLERANCE.levelDb) return { lane, sum: { ...sum, peak, worstPeak }, max };
  }
  return undefined;
}

function run(context: WorkedScene): readonly Finding[] {
  const reported = new Set<number>();
  return addingLanes(context.graph, context.field).flatMap((index): readonly Finding[] => {
    const over = overFrom(context, index);
    if (over === undefined || over.sum.sources.length < 2 || reported.has(over.lane.index)) return [];
    reported.add(over.lane.index);
    const { sum, max, lane } = over;
    return [
      {
        rule: 'summing-headroom',
        at: [laneRef(context, lane.index)],
        figures: {
          sources: sum.sources.length - sum.unknown,
          peak: sum.peak,
          worstPeak: sum.worstPeak,
          max,
          overDb: sum.peak - max,
          unit: lane.medium === 'digital' ? 'dBFS' : 'dBu',
        },
      },
    ];
  });
}

export const summingHeadroom: Rule = {
  id: 'summing-headroom',
  title: 'A sum goes over',
  severity: 'warning',
  stage: 'mix',
  why: 'Every source fits and their sum does not: a bus clips although no channel does.',
  limits:
    'Peaks are added as of unrelated sounds; the worst case, all at once and in phase, is told with it and not judged. Sources without a level or crest are not counted. A host that computes in floating point clips only at its outputs.',
  run,
};

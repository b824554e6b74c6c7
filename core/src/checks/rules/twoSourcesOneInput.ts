import { copperFrom } from '../../graph/nets';
import type { Lane } from '../../graph/signalGraph';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { laneIdAt, laneRef, threadRefs, threadsThrough } from '../../scene/places';
import type { Rule } from '../rule';

const isDriver = (lane: Lane | undefined): boolean =>
  lane?.direction === 'out' && lane.medium !== 'any' && lane.face !== 'inside';

function run(context: WorkedScene): readonly Finding[] {
  const { graph } = context;
  const isDriven = new Uint8Array(graph.lanes.length);
  const shared = new Set<number>();
  for (const { loads } of context.nets)
    for (const load of loads)
      if (isDriven[load] === 1) shared.add(load);
      else isDriven[load] = 1;
  return [...shared].flatMap((input): readonly Finding[] => {
    if (graph.lanes[input]?.face === 'inside') return [];
    const sources = copperFrom(graph, input, 'to').filter((lane) => isDriver(graph.lanes[lane]));
    return [
      {
        rule: 'two-sources-one-input',
        at: [...threadRefs(threadsThrough(context, input)), laneRef(context, input)],
        figures: { sources: sources.map((lane) => laneIdAt(context, lane)) },
      },
    ];
  });
}

export const twoSourcesOneInput: Rule = {
  id: 'two-sources-one-input',
  title: 'Two outputs on one input',
  severity: 'error',
  stage: 'track',
  why: 'Outputs joined without a mixer drive each other: both are loaded with a few ohms, distort, and can be damaged.',
  limits: 'Follows copper. Whether the two ever sound at the same time is not asked.',
  run,
};

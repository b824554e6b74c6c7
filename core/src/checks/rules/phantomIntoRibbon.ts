import type { Lane } from '../../graph/signalGraph';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { FindingDetail } from '../findingDetail';
import { poweredInputs, powerLine } from '../../scene/poweredInputs';
import type { Rule } from '../rule';

type Harm = Extract<FindingDetail, { rule: 'phantom-into-ribbon' }>['figures']['what'];

/** What 48 V would meet at an output, or undefined where it does no harm as far as is known. */
function harmAt(lane: Lane): Harm | undefined {
  if (lane.direction !== 'out' || lane.medium === 'any') return undefined;
  if (lane.output?.phantom === 'harmful') return lane.microphone === undefined ? 'unit' : 'ribbon';
  if (lane.output?.phantom !== undefined) return undefined;
  if (lane.balanced === false) return 'unbalanced';
  return lane.medium === 'line' ? 'line-output' : undefined;
}

function run(context: WorkedScene): readonly Finding[] {
  const { graph } = context;
  return poweredInputs(context).flatMap(({ lane: input, ref }) =>
    [...powerLine(graph, input.index)].flatMap((index): Finding[] => {
      const lane = graph.lanes[index];
      const what = lane && harmAt(lane);
      if (lane === undefined || what === undefined) return [];
      const threads = context.threads.filter((thread) => thread.start === index);
      return [
        {
          rule: 'phantom-into-ribbon',
          at: [
            ...threads.map(({ thread }) => ({ kind: 'thread', id: thread.id }) as const),
            ref,
            { kind: 'lane', id: lane.id },
          ],
          figures: { what, at: lane.id },
        },
      ];
    }),
  );
}

export const phantomIntoRibbon: Rule = {
  id: 'phantom-into-ribbon',
  title: '48 V into a ribbon microphone or a line output',
  severity: 'error',
  stage: 'track',
  why: 'A ribbon can be stretched or torn by 48 V through a faulty or unbalanced cable, and an unbalanced or line output is not made to have voltage fed into it.',
  limits:
    'What 48 V is to a microphone is what its data say, or what it usually is to its kind. It is followed over copper and through pads of resistors. An output whose balance is not stated is not reported.',
  run,
};

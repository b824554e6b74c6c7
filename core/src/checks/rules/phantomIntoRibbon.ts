import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { harmedOn } from '../../scene/phantomHarm';
import { poweredInputs } from '../../scene/poweredInputs';
import type { Rule } from '../rule';

function run(context: WorkedScene): readonly Finding[] {
  return poweredInputs(context).flatMap(({ lane: input, ref }) =>
    harmedOn(context.graph, input.index).map(({ lane, what }): Finding => {
      const threads = context.threads.filter((thread) => thread.start === lane.index);
      return {
        rule: 'phantom-into-ribbon',
        at: [
          ...threads.map(({ thread }) => ({ kind: 'thread', id: thread.id }) as const),
          ref,
          { kind: 'lane', id: lane.id },
        ],
        figures: { what, at: lane.id },
      };
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

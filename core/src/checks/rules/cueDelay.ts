import { performerDelays } from '../../timing/performerDelays';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

const run = (context: WorkedScene): readonly Finding[] =>
  performerDelays(context.session, context.graph, context.field).flatMap(
    ({ performer, headphones, thread, delayMs }): readonly Finding[] =>
      delayMs <= performer.cueLimitMs
        ? []
        : [
            {
              rule: 'cue-delay',
              at: [
                { kind: 'performer', id: performer.id },
                { kind: 'thread', id: thread },
                { kind: 'device', id: headphones },
              ],
              figures: { delayMs, limitMs: performer.cueLimitMs },
            },
          ],
  );

export const cueDelay: Rule = {
  id: 'cue-delay',
  title: 'Hears themself late',
  severity: 'warning',
  stage: 'track',
  why: 'Somebody who hears their own sound late plays late, or stops. Under 5 ms is good, over 10 ms is noticed, over 20 ms is a complaint.',
  limits:
    'The way by which most of their own sound reaches the headphones counts. Bone and room are not known. Performers are known by their name in the input list.',
  run,
};

import { parallelBuses } from '../../mix/parallelPans';
import type { WorkedScene } from '../../scene/workedScene';
import type { EntityRef } from '../../session/entityRef';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

const run = (context: WorkedScene): readonly Finding[] =>
  parallelBuses(context)
    .filter(({ pairs }) => pairs.length > 0)
    .map(({ carrier, pairs }) => ({
      rule: 'pan-mismatch',
      at: [
        carrier,
        ...pairs.map((pair): EntityRef =>
          pair.of === 'track' ? { kind: 'track', id: pair.track } : { kind: 'lane', id: pair.lane },
        ),
      ],
      figures: { pairs: pairs.map(({ mix, bus }) => ({ mix, bus })) },
    }));

export const panMismatch: Rule = {
  id: 'pan-mismatch',
  title: 'A parallel bus that pans otherwise than the mix',
  severity: 'warning',
  stage: 'mix',
  why: 'What is mixed in beside itself has to stand where it stands: elsewhere it pulls the sound across, and moves it whenever the bus works.',
  limits:
    'Takes aux tracks with hardware in a slot, and stereo cues and aux pairs of consoles that go over outboard and back, as parallel buses; a reverb may stand where it likes. Differences up to 3 of 100 are nobody’s.',
  run,
};

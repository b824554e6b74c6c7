import type { ParallelPaths } from '../../levels/levelField';
import type { WorkedScene } from '../../scene/workedScene';
import { deepestComb } from '../../scene/deepestComb';
import type { Finding } from '../finding';
import { worstParallelPaths } from '../../scene/parallelPathsByPort';
import { laneRef, sourceRef } from '../../scene/places';
import type { Rule } from '../rule';
import { HARMLESS_DB } from './polarity';

/** What is to be said of parallel paths; nothing where the two are too far apart in level, or too near in time. */
function judge(parallel: ParallelPaths, sampleRateHz: number) {
  const deepest = deepestComb(parallel, sampleRateHz);
  const firstNotchHz = deepest?.comb.notchesHz.find((hz) => hz > 0) ?? deepest?.comb.notchesHz[0];
  if (deepest === undefined || firstNotchHz === undefined) return undefined;
  if (deepest.difference.levelDifferenceDb > HARMLESS_DB) return undefined;
  return { ...deepest, firstNotchHz, worth: -deepest.comb.dipDb };
}

const run = (context: WorkedScene): readonly Finding[] =>
  worstParallelPaths(context, (parallel) => judge(parallel, context.graph.sampleRateHz)).map(
    ({ parallel, lane, judged: { difference, comb, firstNotchHz } }) => ({
      rule: 'parallel-comb',
      at: [sourceRef(context, context.field.sources[parallel.source]), laneRef(context, lane)],
      figures: {
        differenceSamples: Math.abs(difference.differenceSamples),
        differenceMs: comb.differenceMs,
        levelDifferenceDb: difference.levelDifferenceDb,
        firstNotchHz,
        dipDb: comb.dipDb,
      },
    }),
  );

export const parallelComb: Rule = {
  id: 'parallel-comb',
  title: 'Two ways of one sound meet late',
  severity: 'warning',
  stage: 'mix',
  why: 'A sound added to a later copy of itself cancels at regular steps of frequency: a comb, heard as hollow or phasey.',
  limits:
    'Delays as given in the catalogue and typed in; what the host makes up for is taken off. Copies of reverberation are counted like any other. Differences whose first notch is over 20 kHz are not reported.',
  run,
};

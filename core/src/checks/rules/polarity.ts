import type { ParallelPaths } from '../../levels/levelField';
import { TOLERANCE } from '../../units/tolerance';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { worstParallelPaths } from '../../scene/parallelPathsByPort';
import { laneRef, sourceRef } from '../../scene/places';
import type { Rule } from '../rule';

/** A copy this far under the other does no harm, dB: it changes the sum by less than 1 dB. */
export const HARMLESS_DB = 19.3;

/** The strongest two ways of opposite polarity that come together in time. */
function opposed({ ways }: ParallelPaths): number | undefined {
  const sorted = ways.map(({ arrival }) => arrival).sort((a, b) => b.gainDb - a.gainDb);
  const [strongest] = sorted;
  const other = sorted.find(
    (each) =>
      strongest !== undefined &&
      each.inverted !== strongest.inverted &&
      Math.abs(each.alignedSamples - strongest.alignedSamples) < TOLERANCE.samples,
  );
  return strongest === undefined || other === undefined ? undefined : strongest.gainDb - other.gainDb;
}

/** Mid and side are made of sums and differences. */
const isMeant = ({ graph }: WorkedScene, { ways }: ParallelPaths): boolean =>
  ways.some(({ edge }) => graph.edges[edge]?.isMidSide === true);

const run = (context: WorkedScene): readonly Finding[] =>
  worstParallelPaths(context, (parallel) => {
    const levelDifferenceDb = isMeant(context, parallel) ? undefined : opposed(parallel);
    return levelDifferenceDb === undefined || levelDifferenceDb > HARMLESS_DB
      ? undefined
      : { levelDifferenceDb, worth: -levelDifferenceDb };
  }).map(({ parallel, lane, judged: { levelDifferenceDb } }) => ({
    rule: 'polarity',
    at: [sourceRef(context, context.field.sources[parallel.source]), laneRef(context, lane)],
    figures: { levelDifferenceDb },
  }));

export const polarity: Rule = {
  id: 'polarity',
  title: 'Meets itself upside down',
  severity: 'warning',
  stage: 'mix',
  why: 'A signal mixed with an inverted copy of itself cancels: equal in level it is gone, nearly equal it is thin.',
  limits:
    'Counts inversions of routes and switches; cords wired pin 3 hot are not known. Copies that come late are told as combs.',
  run,
};

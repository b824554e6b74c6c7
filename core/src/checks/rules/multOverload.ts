import { loadingOf } from '../../levels/loadingOf';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { laneRef, threadRefs, threadsThrough } from '../../scene/places';
import type { Rule } from '../rule';

/** What several inputs on one output may cost. Common practice, no source. */
export const MOST_MULT_LOSS_DB = 0.5;

function run(context: WorkedScene): readonly Finding[] {
  const { graph } = context;
  return context.nets.flatMap(({ driver, loads }): readonly Finding[] => {
    if (loads.length < 2 || graph.lanes[driver]?.medium === 'phones') return [];
    const loading = loadingOf(graph, driver);
    if (loading === undefined || -loading.lossDb <= MOST_MULT_LOSS_DB) return [];
    const { lossDb, sourceOhm, loadOhm } = loading;
    return [
      {
        rule: 'mult-overload',
        at: [...threadRefs(threadsThrough(context, driver)), laneRef(context, driver)],
        figures: { lossDb: -lossDb, loads: loads.length, sourceOhm, loadOhm },
      },
    ];
  });
}

export const multOverload: Rule = {
  id: 'mult-overload',
  title: 'Too many inputs on one output',
  severity: 'warning',
  stage: 'track',
  why: 'Inputs in parallel pull an output down; the level changes as soon as one more is plugged in.',
  limits: 'Only where every impedance on the net is known. Headphones are judged with their cue.',
  run,
};

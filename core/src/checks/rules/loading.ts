import { loadingOf } from '../../levels/loadingOf';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { laneRef, threadRefs, threadsThrough } from '../../scene/places';
import type { Rule } from '../rule';

/** A load is at least this many times its source. Common practice, no source. */
export const LEAST_LOAD_RATIO = 10;

/** Media whose joints are made for voltage, not for power. */
const BRIDGED: ReadonlySet<string> = new Set(['mic', 'line', 'instrument']);

function run(context: WorkedScene): readonly Finding[] {
  const { graph } = context;
  return context.nets.flatMap(({ driver, loads }): readonly Finding[] => {
    const [load] = loads;
    if (load === undefined || loads.length > 1 || !BRIDGED.has(graph.lanes[driver]?.medium ?? '')) return [];
    const loading = loadingOf(graph, driver);
    if (loading === undefined || loading.loadOhm >= LEAST_LOAD_RATIO * loading.sourceOhm) return [];
    const { lossDb, sourceOhm, loadOhm } = loading;
    return [
      {
        rule: 'loading',
        at: [
          ...threadRefs(threadsThrough(context, driver)),
          laneRef(context, driver),
          laneRef(context, load),
        ],
        figures: {
          lossDb: -lossDb,
          sourceOhm,
          loadOhm,
          isMicrophone: graph.lanes[driver]?.microphone !== undefined,
        },
      },
    ];
  });
}

export const loading: Rule = {
  id: 'loading',
  title: 'An output is loaded down',
  severity: 'warning',
  stage: 'track',
  why: 'An input of less than ten times the source impedance costs level, and with transformers, pickups and old outputs the top end or the bottom too.',
  limits:
    'Impedances at 1 kHz, as given. One input on one output; several are judged together as a mult. The sound of it may be wanted.',
  run,
};

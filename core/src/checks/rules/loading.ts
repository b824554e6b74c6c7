import { loadingOf } from '../../levels/loadingOf';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { laneRef, threadRefs, threadsThrough } from '../../scene/places';
import type { Rule } from '../rule';

/** A load is at least so many times its source, by the kind of output. Common practice, no source. */
const LEAST_RATIO: Readonly<Record<string, number>> = { mic: 5, line: 10, instrument: 10 };
/** What a line output may lose all the same. */
const MOST_LINE_LOSS_DB = 0.5;

function run(context: WorkedScene): readonly Finding[] {
  const { graph } = context;
  return context.nets.flatMap(({ driver, loads }): readonly Finding[] => {
    const [load] = loads;
    const medium = graph.lanes[driver]?.medium ?? '';
    const leastRatio = LEAST_RATIO[medium];
    if (load === undefined || loads.length > 1 || leastRatio === undefined) return [];
    const loading = loadingOf(graph, driver);
    if (loading === undefined || loading.loadOhm >= leastRatio * loading.sourceOhm) return [];
    const { lossDb, sourceOhm, loadOhm } = loading;
    if (medium === 'line' && -lossDb <= MOST_LINE_LOSS_DB) return [];
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
          leastRatio,
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
  why: 'An input of low impedance costs level, and with transformers, pickups and old outputs the top end or the bottom too: less than five times that of a microphone, less than ten times that of a line output or pickup.',
  limits:
    'Impedances at 1 kHz, as given. A line output that loses no more than 0.5 dB is left alone; the strip shows every loss. One input on one output; several are judged together as a mult. The sound of it may be wanted.',
  run,
};

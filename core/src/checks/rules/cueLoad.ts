import type { SignalGraph } from '../../graph/signalGraph';
import { loadingOf } from '../../levels/loadingOf';
import type { WorkedScene } from '../../scene/workedScene';
import { laneRef } from '../../scene/places';
import { loadingDb } from '../../units/loading';
import type { Finding } from '../finding';
import type { Rule } from '../rule';
import { MOST_MULT_LOSS_DB } from './multOverload';

/** What the pair that is loaded least loses by itself, dB, zero or negative. */
function aloneDb({ lanes }: SignalGraph, sourceOhm: number, loads: readonly number[]): number {
  const ohms = loads.flatMap((lane) => lanes[lane]?.input?.loadOhm ?? []);
  return loadingDb(sourceOhm, Math.max(...ohms));
}

/** Junction boxes among the loads: they load an output as pairs do. */
const boxesOf = ({ graph, devices }: WorkedScene, loads: readonly number[]): number =>
  loads.filter(
    (lane) => devices.get(graph.lanes[lane]?.device ?? ('' as never))?.type === 'headphoneJunction',
  ).length;

function run(context: WorkedScene): readonly Finding[] {
  const { graph } = context;
  const told = new Set<string>();
  return context.nets.flatMap(({ driver, loads }): readonly Finding[] => {
    if (loads.length < 2) return [];
    const out = graph.lanes[driver];
    const loading = out?.medium === 'phones' ? loadingOf(graph, driver) : undefined;
    if (out === undefined || loading === undefined) return [];
    // The sides of one connector are one fault.
    const port = out.id.slice(0, out.id.lastIndexOf('/'));
    const { sourceOhm, loadOhm, lossDb } = loading;
    const moreLossDb = aloneDb(graph, sourceOhm, loads) - lossDb;
    const leastOhm = out.output?.leastLoadOhm;
    const isTooLow = leastOhm !== undefined && loadOhm < leastOhm;
    if ((moreLossDb <= MOST_MULT_LOSS_DB && !isTooLow) || told.has(port)) return [];
    told.add(port);
    const boxes = boxesOf(context, loads);
    return [
      {
        rule: 'cue-load',
        at: [laneRef(context, driver)],
        figures: {
          phones: loads.length - boxes,
          ...(boxes > 0 && { boxes }),
          lossDb: moreLossDb,
          sourceOhm,
          loadOhm,
          ...(isTooLow && { leastOhm }),
        },
      },
    ];
  });
}

export const cueLoad: Rule = {
  id: 'cue-load',
  title: 'Too many headphones on one output',
  severity: 'warning',
  stage: 'track',
  why: 'Headphones in parallel load an output together: each pair that is plugged in makes all others softer, and below the load an amplifier is made for it distorts.',
  limits:
    'Impedances as given, at 1 kHz. The least load is known only where the data of the output say it. How loud each pair is follows from its sensitivity and is not judged here.',
  run,
};

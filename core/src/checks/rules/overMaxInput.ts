import { soundsOver } from '../soundsOver';
import { sourceRef } from '../../scene/places';
import { stationOfRole } from '../../routing/realise';
import { TOLERANCE } from '../../units/tolerance';
import type { WorkedScene, PlannedThread } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { FindingDetail } from '../findingDetail';
import { gainKnobOf } from '../../scene/gainKnobOf';
import { referenceKnob } from '../../scene/referenceOf';
import type { Rule } from '../rule';

type Figures = Extract<FindingDetail, { rule: 'over-max-input' }>['figures'];

/** The preamp before a rung, and the gain in whole decibels that would bring the peak under the maximum. */
function turnDown(
  context: WorkedScene,
  planned: PlannedThread,
  rung: number,
  overDb: number,
): Figures['turnDown'] {
  const edgesBefore = planned.path.slice(0, rung);
  const preamp = stationOfRole(planned, 'preamp');
  if (preamp === undefined || !edgesBefore.some((edge) => edge.to === preamp.out)) return undefined;
  const knob = gainKnobOf(context, planned);
  const byDb = Math.ceil(overDb);
  if (knob === undefined || knob.gainDb - byDb < knob.min) return undefined;
  return { station: knob.station, byDb, gainDb: knob.gainDb - byDb };
}

/** The lowest reference position of the converter channel that would take the peak. */
function higherReference(context: WorkedScene, planned: PlannedThread, rung: number): number | undefined {
  const entered = planned.ladder.rungs[rung];
  const converter = planned.stations.find(
    (station) => station.role === 'converter' && station.in === entered?.lane,
  );
  // Mic inputs of an interface have none: their full scale is fixed.
  const spec = converter && referenceKnob(context, converter)?.spec;
  const peak = entered?.peak ?? Infinity;
  return [...(spec?.range?.positions ?? [])].sort((a, b) => a - b).find((position) => position >= peak);
}

/** The first rung of each thread that is over: what comes after it is over because of it. */
function firstOver(planned: PlannedThread): number {
  return planned.ladder.rungs.findIndex(
    (rung) => rung.headroomDb !== undefined && rung.headroomDb < -TOLERANCE.levelDb,
  );
}

/** Threads, with what could be turned at their preamp or converter. */
function onThreads(context: WorkedScene): readonly Finding[] {
  return context.threads.flatMap((planned): Finding[] => {
    const index = firstOver(planned);
    const rung = planned.ladder.rungs[index];
    const lane = context.graph.lanes[rung?.lane ?? -1];
    if (rung?.peak === undefined || rung.max === undefined || lane === undefined) return [];
    const overDb = rung.peak - rung.max;
    const less = turnDown(context, planned, index, overDb);
    const referenceDbu = higherReference(context, planned, index);
    return [
      {
        rule: 'over-max-input',
        at: [
          { kind: 'thread', id: planned.thread.id },
          { kind: 'lane', id: lane.id },
        ],
        figures: {
          peak: rung.peak,
          max: rung.max,
          overDb,
          unit: rung.unit,
          ...(less !== undefined && { turnDown: less }),
          ...(referenceDbu !== undefined && { referenceDbu }),
        },
      },
    ];
  });
}

/** Everything else that sounds: playback, and threads beyond their end. */
function onSounds(context: WorkedScene, told: ReadonlySet<string>): readonly Finding[] {
  const { graph, field } = context;
  return soundsOver(context).flatMap(({ source, lane, peak, max }): readonly Finding[] => {
    const from = field.sources[source];
    const at = graph.lanes[lane];
    if (at === undefined || (from?.thread !== undefined && told.has(from.thread))) return [];
    return [
      {
        rule: 'over-max-input',
        at: [sourceRef(context, from), { kind: 'lane', id: at.id }],
        figures: {
          ...{ peak, max, overDb: peak - max },
          unit: at.medium === 'digital' ? 'dBFS' : 'dBu',
          ...(from?.track !== undefined && { fader: { track: from.track, byDb: Math.ceil(peak - max) } }),
        },
      },
    ];
  });
}

function run(context: WorkedScene): readonly Finding[] {
  const threads = onThreads(context);
  const told = new Set(threads.flatMap(({ at }) => at.map(({ id }): string => id)));
  return [...threads, ...onSounds(context, told)];
}

export const overMaxInput: Rule = {
  id: 'over-max-input',
  title: 'Peak over a maximum level',
  severity: 'error',
  stage: 'track',
  why: 'A peak over what an input, output or converter takes is clipped, and a clipped recording cannot be mended.',
  limits:
    'Peaks follow from the expected level and crest factor; where either is not given, nothing is inferred. Only the first place that is over is reported for each sound. Inside a host levels are floating point: it clips where it leaves.',
  run,
};

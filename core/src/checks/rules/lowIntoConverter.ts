import { stationOfRole } from '../../routing/realise';
import type { WorkedScene, PlannedThread } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { FindingDetail } from '../findingDetail';
import { gainKnobOf } from '../../scene/gainKnobOf';
import { laneRef, threadRefs } from '../../scene/places';
import type { Rule } from '../rule';

type Figures = Extract<FindingDetail, { rule: 'low-into-converter' }>['figures'];

/** How far under the line-up a recording may lie. Common practice, no source. */
export const LOWEST_UNDER_DB = 12;

/** The preamp turned up in whole decibels, as far as it goes and as far as the peaks allow. */
function turnUp(context: WorkedScene, planned: PlannedThread, underDb: number): Figures['turnUp'] {
  const knob = gainKnobOf(context, planned);
  if (knob === undefined) return undefined;
  const after = planned.ladder.rungs.filter(({ headroomDb }) => headroomDb !== undefined).slice(1);
  const room = Math.min(...after.map(({ headroomDb = Infinity }) => headroomDb));
  const byDb = Math.floor(Math.min(underDb, knob.max - knob.gainDb, room));
  return byDb < 1 ? undefined : { station: knob.station, byDb, gainDb: knob.gainDb + byDb };
}

function run(context: WorkedScene): readonly Finding[] {
  const lineUpDbfs = context.session.lineUp.dbfs;
  return context.threads.flatMap((planned): readonly Finding[] => {
    const converter = stationOfRole(planned, 'converter');
    const rung = planned.ladder.rungs.find(({ lane }) => lane === converter?.out);
    if (converter === undefined || rung?.nominal === undefined) return [];
    const underDb = lineUpDbfs - rung.nominal;
    if (underDb <= LOWEST_UNDER_DB) return [];
    const up = turnUp(context, planned, underDb);
    return [
      {
        rule: 'low-into-converter',
        at: [...threadRefs([planned]), laneRef(context, converter.in)],
        figures: { nominalDbfs: rung.nominal, lineUpDbfs, underDb, ...(up && { turnUp: up }) },
      },
    ];
  });
}

export const lowIntoConverter: Rule = {
  id: 'low-into-converter',
  title: 'Low into the converter',
  severity: 'warning',
  stage: 'track',
  why: 'What is recorded far under the line-up has to be turned up later, and the noise of everything after the preamp with it.',
  limits: 'Follows from the expected level; peaky sources are sometimes kept low on purpose.',
  run,
};

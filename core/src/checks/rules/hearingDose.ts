import { headphoneLevel } from '../../levels/headphoneLevel';
import { allowedHours, dailyDose } from '../../units/hearing';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

function run({ rig, session, graph, field }: WorkedScene): readonly Finding[] {
  const table = session.hearingTable;
  return session.performers.flatMap(({ id, headphones, hoursADay: hours }): readonly Finding[] => {
    const worn = rig.devices.find((device) => device.id === headphones);
    const level = worn && headphoneLevel(graph, field, worn);
    if (worn === undefined || level === undefined || hours === undefined) return [];
    const { levelDbSpl } = level;
    const dose = dailyDose([{ levelDbSpl, hours }], table);
    if (dose <= 1) return [];
    return [
      {
        rule: 'hearing-dose',
        at: [
          { kind: 'performer', id },
          { kind: 'device', id: worn.id },
        ],
        figures: { levelDbSpl, hours, allowedHours: allowedHours(levelDbSpl, table), dose, table },
      },
    ];
  });
}

export const hearingDose: Rule = {
  id: 'hearing-dose',
  title: 'Too loud for too long',
  severity: 'warning',
  stage: 'track',
  why: 'Hearing that is lost does not come back. Level and time together make the dose.',
  limits:
    'A caution from planned levels, unweighted, and the chosen table; no measurement and no certificate. Local rules come first. Performers without headphones or hours are not judged.',
  run,
};

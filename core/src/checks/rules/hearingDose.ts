import { cuesIn } from '../../cues/cuesIn';
import { earOf } from '../../cues/ear';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

function run(context: WorkedScene): readonly Finding[] {
  const { rig, session, scene } = context;
  const table = session.hearingTable;
  return session.performers.flatMap(({ id, headphones, hoursADay: hours }): readonly Finding[] => {
    const worn = rig.devices.find((device) => device.id === headphones && device.type === 'headphones');
    if (worn === undefined || hours === undefined) return [];
    const cue = cuesIn(session, scene).find((each) => each.headphones.some((pair) => pair.id === worn.id));
    const { atEarDbSpl, allowedHours = Infinity, dose = 0 } = earOf(context, worn, cue);
    if (atEarDbSpl === undefined || dose <= 1) return [];
    return [
      {
        rule: 'hearing-dose',
        at: [
          { kind: 'performer', id },
          { kind: 'device', id: worn.id },
        ],
        figures: { levelDbSpl: atEarDbSpl, hours, allowedHours, dose, table },
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
    'A caution from planned levels, unweighted, and the chosen table; no measurement and no certificate. Local rules come first. Performers without headphones or hours are not judged. Their own instrument counts where a distance is given, talkback for a tenth of the time.',
  run,
};

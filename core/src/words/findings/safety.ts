import { formatDb } from '../../units/format';
import { overDoseDb } from '../../units/hearing';
import type { Finding } from '../../checks/finding';
import type { Naming } from '../naming';
import type { Detail, Speak } from './speak';
import { listed, namesOf } from './speak';

/** What feeds 48 V: the preamp, or the connector, which comes before any other place. */
function feeder(finding: Finding, naming: Naming): string {
  const ref = finding.at.find(({ kind }) => kind === 'station' || kind === 'lane');
  return ref === undefined ? 'an input' : naming[ref.kind](ref.id);
}

const HARM: Record<Detail<'phantom-into-ribbon'>['what'], string> = {
  ribbon: 'a ribbon microphone',
  unit: 'an output that is harmed by it',
  unbalanced: 'an unbalanced output',
  'line-output': 'a line output',
};

const TABLE: Record<Detail<'hearing-dose'>['table'], string> = { niosh: 'NIOSH', osha: 'OSHA' };

const QUIET: Record<Detail<'monitors-open-while-patching'>['quiet'], string> = {
  monitors: 'a monitor controller or amplifier',
  cues: 'a cue amplifier or headphone box',
};

/** "45 min", "2.5 h". */
const formatHours = (hours: number): string =>
  hours < 1 ? `${String(Math.round(hours * 60))} min` : `${String(Math.round(hours * 10) / 10)} h`;

export const SAFETY: Speak<
  | 'phantom-on-jack-bay'
  | 'phantom-into-ribbon'
  | 'phantom-missing'
  | 'loudspeaker-level-into-line'
  | 'monitors-open-while-patching'
  | 'hearing-dose'
> = {
  'phantom-on-jack-bay': ({ jacks }, naming, finding) => ({
    wrong: `48 V is on at ${feeder(finding, naming)} while its line is patched at jacks (${jacks.map((jack) => naming.lane(jack)).join(' → ')}).`,
    remedy:
      'Switch 48 V off, wait half a minute, mute the monitors and phones before anybody touches the plug; better, use a line that reaches the preamp by its normal. House rules come first.',
  }),
  'phantom-into-ribbon': ({ what, at }, naming, finding) => ({
    wrong: `48 V from ${feeder(finding, naming)} reaches ${HARM[what]}, ${naming.lane(at)}.`,
    remedy: `Switch 48 V off at ${feeder(finding, naming)} and wait half a minute before you connect it.`,
  }),
  'phantom-missing': ({ why, at }, naming, finding) =>
    why === 'switched-off'
      ? {
          wrong: `${naming.lane(at)} needs 48 V, and it is off at ${feeder(finding, naming)}.`,
          remedy: `Mute monitors and phones, turn its gain down, and switch 48 V on at ${feeder(finding, naming)}; never on a line that passes a jack bay.`,
        }
      : {
          wrong: `${naming.lane(at)} needs 48 V, and nothing on its line can give it.`,
          remedy: 'Route it over a preamp with 48 V, or give it a supply of its own and say so in its data.',
        },
  'loudspeaker-level-into-line': ({ into }, naming, finding) => {
    const [amplifier, there] = namesOf(finding, naming, 'lane');
    return {
      wrong: `${amplifier ?? 'A power amplifier'} reaches ${there ?? 'an input'}, which is ${into === 'jack' ? 'a jack of a bay' : 'no loudspeaker'}.`,
      remedy:
        'Switch the amplifier off and take the connection out; for a line level take the signal before the amplifier.',
    };
  },
  'monitors-open-while-patching': ({ quiet, cords }, naming, finding) => ({
    wrong: `${cords === 1 ? 'One cord is' : `${cords} cords are`} to be moved, and nothing can be muted before ${listed(namesOf(finding, naming, 'device'))}.`,
    remedy: `Have them taken off or switched off first, or put ${QUIET[quiet]} with a level knob into the rig.`,
  }),
  'hearing-dose': ({ levelDbSpl, hours, allowedHours, dose, table }, naming, finding) => ({
    wrong: `${namesOf(finding, naming, 'performer').join('')} would have about ${levelDbSpl.toFixed(1)} dB SPL on ${namesOf(finding, naming, 'device').join('')} for ${formatHours(hours)}, ${Math.round(dose * 100)} % of a day by the ${TABLE[table]} table, which allows ${formatHours(allowedHours)}.`,
    remedy: `Turn the cue down ${formatDb(Math.ceil(overDoseDb(dose, table) * 10) / 10)}, or shorten the time. This is a caution from planned levels; local rules come first.`,
  }),
};

import { formatDb, formatFrequency, formatMs, formatSamples } from '../../units/format';
import { formatRate } from '../../units/sampleRates';
import type { Naming } from '../naming';
import type { Detail, Speak } from './speak';
import { listed, namesOf, threadsNamed } from './speak';

function clockSentence({ masters, unsaid, nothing }: Detail<'clock-masters'>, naming: Naming): string {
  const names = (ids: readonly string[]): string => listed(ids.map((id) => naming.device(id)));
  if (nothing.length > 0) return `${names(nothing)} follows a connector that no clock reaches.`;
  if (unsaid.length > 0)
    return `Nobody has said what clock ${names(unsaid)} ${unsaid.length === 1 ? 'follows' : 'follow'}.`;
  if (masters.length > 1)
    return `${names(masters)} ${masters.length === 2 ? 'both' : 'all'} run on clocks of their own and are joined digitally.`;
  return 'These devices follow each other in a circle, and none is master.';
}

const LATE: Record<Detail<'insert-uncompensated'>['why'], (known: number) => Readonly<[string, string]>> = {
  'not-compensated': () => [
    'and this host does not make up for it',
    'Nudge what comes back by that much, or leave the insert off sounds that are also heard without it.',
  ],
  'not-known': () => [
    'and the host does not know it',
    'Delay the other tracks by that much, or nudge what comes back.',
  ],
  'never-measured': () => [
    'and it was never measured',
    'Measure it with the host, or type it into the slot.',
  ],
  wrong: (known) => [`and ${formatSamples(known)} are typed in`, 'Measure again, and type in what you read.'],
};

const RATES: Record<
  Detail<'rate-mismatch'>['what'],
  (who: readonly string[], a: string, b: string) => Readonly<[string, string]>
> = {
  link: (who, a, b) => [
    `${who[0] ?? ''} runs at ${a} and ${who[1] ?? ''} at ${b}, and a digital cable joins them`,
    'Let both follow one clock.',
  ],
  session: (who, a, b) => [
    `${who[0] ?? ''} is fixed at ${a} and the session is at ${b}`,
    'Set its clock to the session’s rate, or the session to its.',
  ],
  material: (who, a, b) => [
    `${who[0] ?? ''} was recorded at ${a} and the session is at ${b}`,
    'Convert the material, or set the session to its rate.',
  ],
};

export const TIME: Speak<
  | 'clock-masters'
  | 'rate-mismatch'
  | 'lanes-lost-at-rate'
  | 'insert-uncompensated'
  | 'parallel-comb'
  | 'cue-delay'
  | 'timecode-missing'
> = {
  'clock-masters': (figures, naming) => ({
    wrong: clockSentence(figures, naming),
    remedy: 'On the Clock page choose one master, and let every other device follow it.',
  }),
  'rate-mismatch': ({ what, firstHz, secondHz }, naming, finding) => {
    const who = finding.at.map((ref) => naming[ref.kind](ref.id));
    const [wrong, remedy] = RATES[what](who, formatRate(firstHz), formatRate(secondHz));
    return { wrong: `${wrong}.`, remedy };
  },
  'lanes-lost-at-rate': ({ rateHz, carries, lost }, naming, finding) => ({
    wrong: `At ${formatRate(rateHz)} the link from ${namesOf(finding, naming, 'lane').join('')} carries ${carries} lanes, and ${lost} more ${lost === 1 ? 'is' : 'are'} in use${threadsNamed(finding, naming) === '' ? '' : ` by ${threadsNamed(finding, naming)}`}.`,
    remedy: 'Move what is on the lost lanes to another link, or lower the rate.',
  }),
  'insert-uncompensated': ({ slot, side, why, tripSamples, knownSamples = 0 }, naming, finding) => {
    const [wrong, remedy] = LATE[why](knownSamples);
    return {
      wrong: `Slot ${slot} of ${namesOf(finding, naming, 'track').join('')}${side === undefined ? '' : `, side ${side},`} comes back ${formatSamples(tripSamples)} samples late, ${wrong}.`,
      remedy,
    };
  },
  'parallel-comb': (figures, naming, finding) => {
    const { differenceSamples, differenceMs, levelDifferenceDb, firstNotchHz, dipDb } = figures;
    const depth = dipDb === -Infinity ? 'to nothing' : formatDb(-dipDb);
    return {
      wrong: `${listed([...namesOf(finding, naming, 'thread'), ...namesOf(finding, naming, 'track')])} meets a copy of itself ${formatSamples(differenceSamples)} samples (${formatMs(differenceMs)}) late and ${formatDb(levelDifferenceDb)} softer at ${namesOf(finding, naming, 'lane').at(-1) ?? ''}: first notch at ${formatFrequency(firstNotchHz)}, down ${depth}.`,
      remedy: 'Delay the earlier way by as much, or take one of the two out.',
    };
  },
  'cue-delay': ({ delayMs, limitMs }, naming, finding) => ({
    wrong: `${namesOf(finding, naming, 'performer').join('')} hears ${threadsNamed(finding, naming)} ${formatMs(delayMs)} late; the limit is ${formatMs(limitMs)}.`,
    remedy:
      'Monitor before the DAW, through the console or the interface’s own mixer, or make the buffer smaller.',
  }),
  'timecode-missing': (_figures, naming, finding) => ({
    wrong: `Automation on ${namesOf(finding, naming, 'device').join('')} is planned, and no timecode reaches it.`,
    remedy: 'Wire timecode from the host’s interface or a timecode source to its timecode input.',
  }),
};

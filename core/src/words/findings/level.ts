import { formatDb, formatGain, formatLevel, formatOhm } from '../../units/format';
import type { Naming } from '../naming';
import type { Detail, Speak } from './speak';
import { listed, namesOf, sentence, threadsNamed } from './speak';

const BOX: Record<Detail<'level-class'>['box'], string> = {
  preamp: 'Go through a mic preamp.',
  di: 'Go through a DI box and a preamp.',
  're-amp': 'Go through a re-amp box.',
  pad: 'Go through a pad made for the purpose, or use a line input.',
  none: 'Take the cord out; no box makes this connection safe.',
};

function overRemedy({ turnDown, referenceDbu, fader }: Detail<'over-max-input'>, naming: Naming): string {
  const ways: string[] = [];
  if (turnDown !== undefined)
    ways.push(
      `turn ${naming.station(turnDown.station)} down ${turnDown.byDb} dB, to ${formatGain(turnDown.gainDb)} dB`,
    );
  if (fader !== undefined)
    ways.push(`turn what ${naming.track(fader.track)} plays down ${fader.byDb} dB before it gets there`);
  if (referenceDbu !== undefined) ways.push(`set the converter input to ${formatLevel(referenceDbu, 'dBu')}`);
  const remedy = ways.length === 0 ? 'use a pad, or a less sensitive microphone' : ways.join(', or ');
  return sentence(remedy);
}

export const LEVEL: Speak<
  | 'over-max-input'
  | 'low-into-converter'
  | 'level-class'
  | 'line-up-mismatch'
  | 'loading'
  | 'unbalanced-leg'
  | 'summing-headroom'
  | 'polarity'
> = {
  'over-max-input': (figures, naming, finding) => {
    const lane = finding.at.find((ref) => ref.kind === 'lane');
    const where = lane === undefined ? 'a hop' : naming.lane(lane.id);
    const [peak, max] = [formatLevel(figures.peak, figures.unit), formatLevel(figures.max, figures.unit)];
    return {
      wrong: `${listed([...namesOf(finding, naming, 'thread'), ...namesOf(finding, naming, 'track')])} peaks ${formatDb(figures.overDb)} over the maximum of ${where} (${peak} into ${max}).`,
      remedy: overRemedy(figures, naming),
    };
  },
  'low-into-converter': ({ nominalDbfs, lineUpDbfs, underDb, turnUp }, naming, finding) => ({
    wrong: `${threadsNamed(finding, naming)} reaches ${namesOf(finding, naming, 'lane').join('')} at ${formatLevel(nominalDbfs, 'dBFS')}, ${formatDb(underDb)} under the line-up of ${formatLevel(lineUpDbfs, 'dBFS')}.`,
    remedy:
      turnUp === undefined
        ? 'Its peaks or its preamp leave no room to turn it up: keep it, or bring the microphone nearer.'
        : `Turn ${naming.station(turnUp.station)} up ${turnUp.byDb} dB, to ${formatGain(turnUp.gainDb)} dB.`,
  }),
  'level-class': ({ from, into, box }, naming, finding) => {
    const [output, input] = finding.at.filter((ref) => ref.kind === 'lane').map((ref) => naming.lane(ref.id));
    return {
      wrong: `${output ?? 'An output'} is at ${from} level, but ${input ?? 'the input'} is made for ${into} level.`,
      remedy: BOX[box],
    };
  },
  'line-up-mismatch': ({ what, firstDbu, secondDbu, gainDb }, naming, finding) => {
    const [a = '', b = ''] = namesOf(finding, naming, 'station');
    const of = listed([...namesOf(finding, naming, 'thread'), ...namesOf(finding, naming, 'track')]);
    const lined = `${a} is lined up to ${formatLevel(firstDbu, 'dBu')} and ${b} to ${formatLevel(secondDbu, 'dBu')} at 0 dBFS`;
    return {
      wrong:
        what === 'round-trip'
          ? `The round trip of ${of} changes level by ${formatGain(gainDb)} dB: ${lined}.`
          : `The sides of ${of} differ by ${formatDb(Math.abs(gainDb))}: ${lined}.`,
      remedy: `Set both to the same reference level.`,
    };
  },
  loading: ({ lossDb, sourceOhm, loadOhm, leastRatio, isMicrophone }, naming, finding) => {
    const [out = '', into = ''] = namesOf(finding, naming, 'lane');
    return {
      wrong: `${out} (${formatOhm(sourceOhm)}) drives ${into} (${formatOhm(loadOhm)}), less than ${leastRatio === 5 ? 'five' : 'ten'} times as much, and loses ${formatDb(lossDb)}.`,
      remedy: isMicrophone
        ? 'Choose a preamp of higher input impedance, or allow for the loss; the sound changes a little too.'
        : 'Put a buffer or a distribution amplifier between, or allow for the loss.',
    };
  },
  'unbalanced-leg': ({ into, lossDb }, naming, finding) => {
    const [out = '', input = ''] = namesOf(finding, naming, 'lane');
    return into === 'unbalanced'
      ? {
          wrong: `${out} is balanced and ${input} is not: one leg is taken, ${formatDb(lossDb)} are lost, and hum is no longer cancelled.`,
          remedy:
            'Go through a transformer or a balancing box, or keep the cord short and allow for the loss.',
        }
      : {
          wrong: `${out} is unbalanced and ${input} is balanced: the level stays, and hum is no longer cancelled.`,
          remedy: 'Go through a balancing box or a DI box, or keep the cord short.',
        };
  },
  'summing-headroom': ({ sources, peak, worstPeak, max, overDb, unit }, naming, finding) => ({
    wrong: `${sources} sources together peak ${formatDb(overDb)} over the maximum at ${namesOf(finding, naming, 'lane').join('')} (${formatLevel(peak, unit)} into ${formatLevel(max, unit)}; all at once at worst ${formatLevel(worstPeak, unit)}).`,
    remedy: `Turn what feeds it down ${formatDb(Math.ceil(overDb))} together; the balance stays.`,
  }),
  polarity: ({ levelDifferenceDb }, naming, finding) => ({
    wrong: `${listed([...namesOf(finding, naming, 'thread'), ...namesOf(finding, naming, 'track')])} meets itself with its polarity turned at ${namesOf(finding, naming, 'lane').at(-1) ?? ''}, the two ${formatDb(levelDifferenceDb)} apart in level: they cancel.`,
    remedy: 'Turn the polarity of one of the two ways.',
  }),
};

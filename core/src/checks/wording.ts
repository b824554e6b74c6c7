import { formatDb, formatGain, formatLevel } from '../units/format';
import type { Finding, RuleId } from './finding';
import type { FindingDetail } from './findingDetail';
import type { Naming } from './naming';
import { obstacleSentence } from './obstacleWording';
import { ROLE_WORDS } from './roleWords';

/** What is wrong, with the figures, and what to do: one sentence each. */
export interface Words {
  readonly wrong: string;
  readonly remedy: string;
}

type Detail<R extends RuleId> = Extract<FindingDetail, { rule: R }>['figures'];
type Speak = { readonly [R in RuleId]: (figures: Detail<R>, naming: Naming, finding: Finding) => Words };

function threadsNamed(finding: Finding, naming: Naming): string {
  const names = finding.at.filter((ref) => ref.kind === 'thread').map((ref) => naming.thread(ref.id));
  return names.join(' and ');
}

/** What feeds 48 V: the preamp, or the connector, which comes before any other place. */
function feeder(finding: Finding, naming: Naming): string {
  const ref = finding.at.find(({ kind }) => kind === 'station' || kind === 'lane');
  return ref === undefined ? 'an input' : naming[ref.kind](ref.id);
}

/**
 * What an id was made of, as words: of gear that is gone the id is all that is left of its name.
 * "opto-compressor/channel-a" becomes “opto compressor, channel a”.
 */
function nameFromId(id: string): string {
  const [device = id, port, lane] = id.split('/').map((part) => part.replace(/-/g, ' '));
  const where = [port, lane === '1' ? undefined : lane].filter((part) => part !== undefined).join(' ');
  return where === '' ? `“${device}”` : `“${device}, ${where}”`;
}

const HARM: Record<Detail<'phantom-into-ribbon'>['what'], string> = {
  ribbon: 'a ribbon microphone',
  unbalanced: 'an unbalanced output',
  'line-output': 'a line output',
};

const BOX: Record<Detail<'level-class'>['box'], string> = {
  preamp: 'Go through a mic preamp.',
  di: 'Go through a DI box and a preamp.',
  're-amp': 'Go through a re-amp box.',
  pad: 'Go through a pad made for the purpose, or use a line input.',
  none: 'Take the cord out; no box makes this connection safe.',
};

/** What an incomplete thread does not reach. */
function missedName({ role, station, lane }: Detail<'thread-incomplete'>, naming: Naming): string {
  if (station !== undefined) return naming.station(station);
  return lane === undefined ? `a ${ROLE_WORDS[role]}` : naming.lane(lane);
}

/** The legs that broke, each by its ends. */
function legsNamed({ legs }: Detail<'thread-incomplete'>, naming: Naming): string {
  if (legs.length === 0) return '';
  const names = legs.map(({ from, to }) => {
    if (from === undefined) return `what should feed ${naming.lane(to ?? '')}`;
    return to === undefined
      ? `what should follow ${naming.lane(from)}`
      : `${naming.lane(from)} → ${naming.lane(to)}`;
  });
  return ` Broken: ${names.join('; ')}.`;
}

function incompleteRemedy({ way }: Detail<'thread-incomplete'>, naming: Naming): string {
  if ('code' in way) return obstacleSentence(way, naming);
  if (way.length === 0) return 'Route it again; a way without cords is free.';
  const cords = way.map(({ from, to }) => `${naming.lane(from)} → ${naming.lane(to)}`).join('; ');
  return `Route it: the nearest free way is ${cords}.`;
}

function overRemedy({ turnDown, referenceDbu }: Detail<'over-max-input'>, naming: Naming): string {
  const ways: string[] = [];
  if (turnDown !== undefined)
    ways.push(
      `turn ${naming.station(turnDown.station)} down ${turnDown.byDb} dB, to ${formatGain(turnDown.gainDb)} dB`,
    );
  if (referenceDbu !== undefined) ways.push(`set the converter input to ${formatLevel(referenceDbu, 'dBu')}`);
  const remedy = ways.length === 0 ? 'use a pad, or a less sensitive microphone' : ways.join(', or ');
  return `${remedy.charAt(0).toUpperCase()}${remedy.slice(1)}.`;
}

const SPEAK: Speak = {
  'phantom-on-jack-bay': ({ jacks }, naming, finding) => ({
    wrong: `48 V is on at ${feeder(finding, naming)} while its line is patched at jacks (${jacks.map((jack) => naming.lane(jack)).join(' → ')}).`,
    remedy:
      'Switch 48 V off, wait half a minute, mute the monitors and phones before anybody touches the plug; better, use a line that reaches the preamp by its normal. House rules come first.',
  }),
  'phantom-into-ribbon': ({ what, at }, naming, finding) => ({
    wrong: `48 V from ${feeder(finding, naming)} reaches ${HARM[what]}, ${naming.lane(at)}.`,
    remedy: `Switch 48 V off at ${feeder(finding, naming)} and wait half a minute before you connect it.`,
  }),
  'gone-from-rig': ({ gone, knobs }, naming, finding) => {
    const [what] = finding.at;
    const who = what === undefined ? 'Something' : naming[what.kind](what.id);
    if (knobs.length > 0)
      return {
        wrong: `This scene sets knobs of ${who} that it does not have, or not so: ${knobs.join(', ')}. They stand where they stood at first.`,
        remedy: 'Set them again as the unit has them now.',
      };
    const units = [...new Set(gone.map(nameFromId))].join(', ');
    const subject = what?.kind === 'cord' ? 'A cord' : who;
    return {
      wrong: `${subject} is planned on what the rig does not have: ${units}.`,
      remedy:
        'Choose something else, or route again; if the gear was taken out by mistake, undo that on the History page.',
    };
  },
  'thread-incomplete': (figures, naming, finding) => ({
    wrong: `${threadsNamed(finding, naming)} stops at ${naming.lane(figures.stopsAt)} and does not reach ${missedName(figures, naming)}.${legsNamed(figures, naming)}`,
    remedy: incompleteRemedy(figures, naming),
  }),
  'unit-used-twice': ({ stations, count }, naming, finding) => ({
    wrong: `${stations.map((id) => naming.station(id)).join(', ')} ${stations.length === 1 ? 'serves' : 'serve'} ${count} threads at once: ${threadsNamed(finding, naming)}.`,
    remedy: 'Give all but one of them another unit, or move one to another scene.',
  }),
  'normal-broken': ({ normalFrom, normalTo, jack }, naming, finding) => ({
    wrong: `A plug in ${naming.lane(jack)} opens the normal ${naming.lane(normalFrom)} → ${naming.lane(normalTo)} that ${threadsNamed(finding, naming)} relies on.`,
    remedy: 'Move that plug to another jack, or route the thread again.',
  }),
  'over-max-input': (figures, naming, finding) => {
    const lane = finding.at.find((ref) => ref.kind === 'lane');
    const where = lane === undefined ? 'a hop' : naming.lane(lane.id);
    const [peak, max] = [formatLevel(figures.peak, figures.unit), formatLevel(figures.max, figures.unit)];
    return {
      wrong: `${threadsNamed(finding, naming)} peaks ${formatDb(figures.overDb)} over the maximum of ${where} (${peak} into ${max}).`,
      remedy: overRemedy(figures, naming),
    };
  },
  'level-class': ({ from, into, box }, naming, finding) => {
    const [output, input] = finding.at.filter((ref) => ref.kind === 'lane').map((ref) => naming.lane(ref.id));
    return {
      wrong: `${output ?? 'An output'} is at ${from} level, but ${input ?? 'the input'} is made for ${into} level.`,
      remedy: BOX[box],
    };
  },
};

/** Words for a finding. The only place where findings become prose. */
export function wordsOf(finding: Finding, naming: Naming): Words {
  const speak = SPEAK[finding.rule] as (figures: unknown, naming: Naming, finding: Finding) => Words;
  return speak(finding.figures, naming, finding);
}

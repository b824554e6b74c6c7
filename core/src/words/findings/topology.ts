import { formatDb, formatGain, formatOhm } from '../../units/format';
import type { Naming } from '../naming';
import { obstacleSentence } from '../obstacleWording';
import { ROLE_WORDS } from '../roleWords';
import type { Finding } from '../../checks/finding';
import type { Detail, Speak, Words } from './speak';
import { listed, namesOf, threadsNamed } from './speak';

/**
 * What an id was made of, as words: of gear that is gone the id is all that is left of its name.
 * "opto-compressor/channel-a" becomes “opto compressor, channel a”.
 */
function nameFromId(id: string): string {
  const [device = id, port, lane] = id.split('/').map((part) => part.replace(/-/g, ' '));
  const where = [port, lane === '1' ? undefined : lane].filter((part) => part !== undefined).join(' ');
  return where === '' ? `“${device}”` : `“${device}, ${where}”`;
}

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
  if (way === undefined) return 'A way is being looked for.';
  if ('code' in way) return obstacleSentence(way, naming);
  if (way.length === 0) return 'Route it again; a way without cords is free.';
  const cords = way.map(({ from, to }) => `${naming.lane(from)} → ${naming.lane(to)}`).join('; ');
  return `Route it: the nearest free way is ${cords}.`;
}

const SPLIT: Record<Detail<'stereo-split'>['what'], (left: number, right: number) => string> = {
  apart: (left, right) => `left lands on DAW input ${left} and right on ${right}`,
  crossed: (left, right) => `left and right are crossed: left on DAW input ${left}, right on ${right}`,
  'left-even': (left, right) =>
    `the pair sits on DAW inputs ${left} and ${right}; a left side belongs on an odd number`,
};

const JOINED: Record<Detail<'virtual-not-physical'>['what'], (n: string) => Readonly<[string, string]>> = {
  'no-such-input': (n) => [
    `listens to host input ${n}, which the host does not have`,
    'Choose an input it has, or give the host more.',
  ],
  'no-such-output': (n) => [
    `plays to host output ${n}, which the host does not have`,
    'Choose an output it has, or give the host more.',
  ],
  'input-not-wired': (n) => [
    `listens to host input ${n}, which no converter feeds`,
    'Wire the stream to an interface or converter on the Rig page, or choose another input.',
  ],
  'output-not-wired': (n) => [
    `plays to host output ${n}, which leads to no converter`,
    'Wire the stream to an interface or converter on the Rig page, or choose another output.',
  ],
  'bus-unheard': (n) => [
    `feeds the bus ${n}, and nothing listens to it`,
    'Let a track or a key input listen to the bus, or take the send out.',
  ],
  'bus-unfed': (n) => [
    `listens to the bus ${n}, and nothing feeds it`,
    'Send something to the bus, or choose another input.',
  ],
};

const unitTwice = (
  stations: Detail<'unit-used-twice'>['stations'],
  count: number,
  naming: Naming,
  finding: Finding,
): Words => ({
  wrong: `${stations.map((id) => naming.station(id)).join(', ')} ${stations.length === 1 ? 'serves' : 'serve'} ${count} threads at once: ${threadsNamed(finding, naming)}.`,
  remedy: 'Give all but one of them another unit, or move one to another scene.',
});

const pairTwice = (
  count: number,
  { send, atOnce }: NonNullable<Detail<'unit-used-twice'>['pair']>,
  naming: Naming,
  finding: Finding,
): Words => ({
  wrong: `${count} hardware slots send over host output ${send}${atOnce ? ' at once' : ', and this kind of host gives a pair to one slot only'}: ${listed(namesOf(finding, naming, 'track'))}.`,
  remedy: atOnce
    ? 'Commit one of them first and take its slot out, or give it another pair.'
    : 'Take the slot out of one, or choose a host that lets a pair be used again.',
});

/** "3 pairs of headphones", "2 junction boxes and 1 pair of headphones". */
function loadsNamed(phones: number, boxes: number): string {
  const pairs = phones === 0 ? [] : [`${String(phones)} ${phones === 1 ? 'pair' : 'pairs'} of headphones`];
  return listed([
    ...(boxes === 0 ? [] : [`${String(boxes)} junction ${boxes === 1 ? 'box' : 'boxes'}`]),
    ...pairs,
  ]);
}

export const TOPOLOGY: Speak<
  | 'gone-from-rig'
  | 'thread-incomplete'
  | 'feedback-loop'
  | 'two-sources-one-input'
  | 'unit-used-twice'
  | 'normal-broken'
  | 'send-without-return'
  | 'insert-pair-mismatch'
  | 'stereo-split'
  | 'mult-overload'
  | 'cue-load'
  | 'dead-end'
  | 'orphan-cord'
  | 'cords-short'
  | 'virtual-not-physical'
> = {
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
  'feedback-loop': ({ lanes, gainDb }, naming) => ({
    wrong: `A signal comes back to itself with ${formatGain(gainDb)} dB: ${[...lanes, ...lanes.slice(0, 1)].map((lane) => naming.lane(lane)).join(' → ')}.`,
    remedy:
      'Turn the monitors down, then open the loop: stop a track listening to its input, or send it elsewhere.',
  }),
  'two-sources-one-input': ({ sources }, naming, finding) => ({
    wrong: `${listed(sources.map((lane) => naming.lane(lane)))} both drive ${namesOf(finding, naming, 'lane').join('')}.`,
    remedy: 'Leave one of them connected, or bring both together in a mixer.',
  }),
  'unit-used-twice': ({ stations, count, pair }, naming, finding) =>
    pair === undefined
      ? unitTwice(stations, count, naming, finding)
      : pairTwice(count, pair, naming, finding),
  'normal-broken': ({ normalFrom, normalTo, jack }, naming, finding) => ({
    wrong: `A plug in ${naming.lane(jack)} opens the normal ${naming.lane(normalFrom)} → ${naming.lane(normalTo)} that ${threadsNamed(finding, naming)} relies on.`,
    remedy: 'Move that plug to another jack, or route the thread again.',
  }),
  'send-without-return': ({ what, slot, stopsAt, return: back }, naming, finding) =>
    what === 'unit'
      ? {
          wrong: `${namesOf(finding, naming, 'station').join('')} is fed, and nothing listens to its output.`,
          remedy: 'Patch its output to where it should be heard, or take the send out.',
        }
      : {
          wrong: `Slot ${slot ?? 1} of ${namesOf(finding, naming, 'track').join('')} sends out at ${namesOf(finding, naming, 'lane').join('')} and does not come back to ${naming.lane(back ?? '')}; it ends at ${naming.lane(stopsAt ?? '')}.`,
          remedy: 'Patch the unit between the two, or empty the slot: until then the track is silent.',
        },
  'insert-pair-mismatch': ({ slot, send, return: back, strict }, naming, finding) => ({
    wrong: `Slot ${slot} of ${namesOf(finding, naming, 'track').join('')} sends on ${send} and returns on ${back}${strict ? ', and this host uses one number for both' : ''}.`,
    remedy: strict
      ? `Return it on ${send}, or choose a host profile of free pairs.`
      : 'Nothing has to be done; one number for both is easier to patch and to recall.',
  }),
  'stereo-split': ({ what, left, right }, naming, finding) => ({
    wrong: `Of ${listed([...namesOf(finding, naming, 'thread'), ...namesOf(finding, naming, 'track')])}, ${SPLIT[what](left, right)}.`,
    remedy: 'Move the pair to an odd number and the one after it, left first.',
  }),
  'mult-overload': ({ lossDb, loads, sourceOhm, loadOhm }, naming, finding) => ({
    wrong: `${namesOf(finding, naming, 'lane').join('')} (${formatOhm(sourceOhm)}) feeds ${loads} inputs, together ${formatOhm(loadOhm)}, and loses ${formatDb(lossDb)}.`,
    remedy: 'Take an input off, or feed them from a distribution amplifier.',
  }),
  'cue-load': ({ phones, boxes = 0, lossDb, sourceOhm, loadOhm, leastOhm }, naming, finding) => ({
    wrong: `${loadsNamed(phones, boxes)} on ${namesOf(finding, naming, 'lane').join('')} (${formatOhm(sourceOhm)}) are ${formatOhm(loadOhm)} together${leastOhm === undefined ? '' : `, less than the ${formatOhm(leastOhm)} it is made for`}, and each is ${formatDb(lossDb)} softer than alone.`,
    remedy:
      'Give some of them an output of their own, or choose headphones of higher impedance. Bring levels up slowly after a change.',
  }),
  'dead-end': ({ what }, naming, finding) => {
    const [track, lane] = [
      namesOf(finding, naming, 'track').join(''),
      namesOf(finding, naming, 'lane').join(''),
    ];
    return what === 'output'
      ? {
          wrong: `${track} plays to ${lane}, and nothing listens there.`,
          remedy: 'Patch the output on, or choose another one.',
        }
      : {
          wrong: `${track} listens to ${lane}, and nothing feeds it.`,
          remedy: 'Route a line to it, or choose another input.',
        };
  },
  'orphan-cord': (_figures, naming, finding) => ({
    wrong: `No thread uses the cord ${namesOf(finding, naming, 'cord').join('')}.`,
    remedy: 'Take it out of the scene, or make a thread of what it is for.',
  }),
  'cords-short': ({ what, needed, have, tooMany }, naming, finding) => {
    const held = finding.at.map(({ kind, id }) =>
      kind === 'cord' ? `the cord ${naming.cord(id)}` : naming[kind](id),
    );
    return {
      wrong: `The scene needs ${String(needed)} of ${naming.stock(what)} and the rig has ${String(have)}: ${String(tooMany)} too many, held by ${held.join(', ')}.`,
      remedy: 'Route again, leave one of them out, or raise the number in the rig if there are more.',
    };
  },
  'virtual-not-physical': ({ what, number, bus }, naming, finding) => {
    const [wrong, remedy] = JOINED[what](bus ?? String(number ?? ''));
    return { wrong: `${namesOf(finding, naming, 'track').join('')} ${wrong}.`, remedy };
  },
};

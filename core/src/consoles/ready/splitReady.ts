import type { WorkedScene } from '../../scene/workedScene';
import { carriedIn } from '../carried';
import { formatNumber } from '../../units/format';
import type { Desk } from '../desk';
import type { ReadyLine, ReadyPlan } from './readyLine';
import { down, readyLine, START } from './readyLine';

/** Rows of a section, and which of them carry something. */
interface Rows {
  readonly all: readonly string[];
  readonly carrying: readonly string[];
  readonly idle: readonly string[];
}

function rowsOf(context: WorkedScene, desk: Desk, section: string): Rows {
  const carried = carriedIn(context);
  const rows = desk.rows.filter((row) => row.section === section);
  const sounds = rows.filter(({ lane }) => lane !== undefined && carried(lane) !== '');
  const ids = (of: typeof rows): readonly string[] => of.map(({ id }) => id);
  return { all: ids(rows), carrying: ids(sounds), idle: ids(rows.filter((row) => !sounds.includes(row))) };
}

const channelLines = ({ carrying, idle }: Rows): readonly ReadyLine[] => [
  readyLine(
    'channels',
    'Channel faders at their start',
    `${String(carrying.length)} channels carry something: faders at ${formatNumber(START.faderDb)} dB, unmuted.`,
    [...down(carrying, 'fader', String(START.faderDb)), ...down(carrying, 'mute', 'off')],
  ),
  readyLine(
    'unused',
    'Other channels muted',
    'What carries nothing adds noise to the buses, and no more.',
    down(idle, 'mute', 'on'),
  ),
];

const monitorLine = ({ all, idle }: Rows): ReadyLine =>
  readyLine(
    'monitors',
    'Recorder returns on the monitor paths',
    'They are normalled there: monitor path n hears track n. Those with nothing to play are muted.',
    [
      ...down(all, 'source', 'tape'),
      ...down(all, 'toMix', 'on'),
      ...down(all, 'fader', String(START.faderDb)),
      ...down(idle, 'mute', 'on'),
    ],
  );

/** The starting values of an analogue split console: channels that carry something, their monitor paths, the cue. */
export function splitReady(context: WorkedScene, desk: Desk): ReadyPlan {
  const channels = rowsOf(context, desk, 'channels');
  const [auxes, groups, mix] = ['auxes', 'groups', 'mix'].map((id) => rowsOf(context, desk, id).all);
  const cue = auxes?.includes('cue') === true ? 'cue' : 'aux1';
  const lines = [
    ...channelLines(channels),
    monitorLine(rowsOf(context, desk, 'monitors')),
    readyLine(
      'cue',
      'Cue sends on, before the fader',
      `From the channels at ${formatNumber(START.noonDb)} dB, which is 12 o’clock on a knob.`,
      auxes?.length === 0 ? [] : down(channels.carrying, cue, `${String(START.noonDb)} pre`),
    ),
    readyLine(
      'masters',
      'Masters full',
      'Groups, auxes, cue and mix at 0 dB.',
      down([...(groups ?? []), ...(auxes ?? []), ...(mix ?? [])], 'fader', String(START.mastersDb)),
    ),
    readyLine(
      'muted',
      'Control room cut',
      'Until the first source plays.',
      down(['control-room'], 'mute', 'on'),
    ),
  ];
  const opens = [
    readyLine('room', 'Open the control room', 'With its level down.', down(['control-room'], 'mute', 'off')),
  ];
  return { isFromNothing: false, lines, opens };
}

import type { WorkedScene } from '../../scene/workedScene';
import { formatNumber } from '../../units/format';
import type { Desk } from '../desk';
import { laidInputs } from './readyInputs';
import type { ReadyLine, ReadyPlan } from './readyLine';
import { down, readyLine, START } from './readyLine';
import type { ReadyOutputs } from './readyOutputs';
import { readyOutputs } from './readyOutputs';

const DOWN = '−∞';
const names = (rows: readonly string[]): string =>
  rows.length === 0
    ? 'none'
    : rows.length === 1
      ? (rows[0] ?? '')
      : `${rows[0] ?? ''} to ${rows.at(-1) ?? ''}`;

/** Which auxes are monitors and which feed effects: effects have at most half of them. */
function auxesOf(desk: Desk): { readonly monitors: readonly number[]; readonly effects: readonly number[] } {
  const count = (section: string): number => desk.rows.filter((row) => row.section === section).length;
  const [auxes, effects, returns] = [count('auxes'), count('effects'), count('returns')];
  const fed = Math.min(effects, returns, Math.floor(auxes / 2));
  const numbers = Array.from({ length: auxes }, (_, i) => i + 1);
  return { monitors: numbers.slice(0, auxes - fed), effects: numbers.slice(auxes - fed) };
}

/** The rows of a console that are made ready, by their ids. */
interface ReadyRows {
  readonly channels: readonly string[];
  readonly monitors: readonly number[];
  /** The auxes of the monitors, and the one row that holds the mix's fader. */
  readonly auxes: readonly string[];
  readonly mix: readonly string[];
  readonly masters: readonly string[];
  readonly outputs: ReadyOutputs;
}

function rowsOf(context: WorkedScene, desk: Desk): ReadyRows {
  const section = (id: string): readonly string[] =>
    desk.rows.filter((row) => row.section === id).map((row) => row.id);
  const { monitors } = auxesOf(desk);
  const mix = section('mix').slice(0, 1);
  return {
    channels: section('channels'),
    monitors,
    auxes: monitors.map((k) => `aux-${String(k)}`),
    mix,
    masters: [...mix, ...section('groups'), ...section('auxes'), ...section('matrices')],
    outputs: readyOutputs(context, desk),
  };
}

function inputLine(context: WorkedScene, desk: Desk): ReadyLine {
  const { cells, rows, left } = laidInputs(
    context,
    desk,
    desk.rows.filter(({ section }) => section === 'channels'),
  );
  return readyLine(
    'inputs',
    'Inputs to channels, one to one',
    `${String(rows.length)} inputs, from channel 1 on.`,
    cells,
    left.length === 0 ? undefined : `No channel is left for ${left.join(', ')}.`,
  );
}

const mixLines = ({ channels, outputs }: ReadyRows): readonly ReadyLine[] => [
  readyLine(
    'to-mix',
    'Every channel on to mix, faders down',
    'Panned to the centre, unmuted, to be raised one by one.',
    [...down(channels, 'toMix', 'on'), ...down(channels, 'fader', DOWN), ...down(channels, 'mute', 'off')],
  ),
  readyLine(
    'mix-out',
    'Mix to its outputs',
    `Left and right on ${outputs.mix.map(({ name }) => name).join(' and ')}.`,
    outputs.mix.map(({ id }, i) => ({
      ...{ row: id, column: 'source', text: i === 0 ? 'mix left' : 'mix right' },
    })),
  ),
];

function monitorLines({ channels, monitors, outputs: { others } }: ReadyRows): readonly ReadyLine[] {
  const heard = monitors.slice(0, others.length);
  const unheard = monitors.slice(others.length);
  const level = `${String(START.noonDb)} pre`;
  return [
    readyLine(
      'sends',
      'Monitor sends on, before the fader',
      `Auxes ${names(monitors.map(String))} at ${formatNumber(START.noonDb)} dB, which is 12 o’clock on a knob.`,
      monitors.flatMap((k) => down(channels, `aux${String(k)}`, level)),
    ),
    readyLine(
      'aux-out',
      'Auxes to outputs for monitors',
      `Auxes ${names(heard.map(String))} on ${names(others.slice(0, heard.length).map(({ name }) => name))}.`,
      heard.flatMap((k, i) =>
        down(
          others.slice(i, i + 1).map(({ id }) => id),
          'source',
          `aux ${String(k)}`,
        ),
      ),
      unheard.length === 0 ? undefined : `No output is left for auxes ${names(unheard.map(String))}.`,
    ),
  ];
}

function effectLine(desk: Desk, channels: readonly string[]): ReadyLine {
  const { effects } = auxesOf(desk);
  const cells = effects.flatMap((aux, i) => {
    const [effect, back] = [`effect-${String(i + 1)}`, `return-${String(i + 1)}`];
    const name = `effect ${String(i + 1)}`;
    return [
      ...down([effect], 'source', `aux ${String(aux)}`),
      ...down(channels, `aux${String(aux)}`, `${DOWN} post`),
      ...down([back], 'source', `${name} left – ${name} right`),
      ...down([back], 'toMix', 'on'),
      ...down([back], 'fader', String(START.mastersDb)),
      ...down([back], 'mute', 'off'),
    ];
  });
  return readyLine(
    'effects',
    'Effects fed by a bus each, and back on stereo returns to the mix',
    `Sends on auxes ${names(effects.map(String))} are on, after the fader, level off.`,
    cells,
  );
}

/** In the order in which ears are safest: first the loudspeakers of the room, quietly, then people's monitors. */
const opened = ({ mix, auxes, channels }: ReadyRows): readonly ReadyLine[] => [
  readyLine('mix', 'Unmute the mix', 'With the monitor level down.', down(mix, 'mute', 'off')),
  readyLine(
    'faders',
    'Raise the faders one by one',
    `To about ${formatNumber(START.faderDb)} dB, with a source that plays.`,
    down(channels, 'fader', String(START.faderDb)),
  ),
  readyLine(
    'monitors',
    'Unmute the monitors one by one',
    'Warn whoever stands in front of one; headphones are off heads until a level is heard.',
    down(auxes, 'mute', 'off'),
  ),
];

/** The base of a digital console, from nothing. Nothing is heard until what `opens` lists is done. */
export function digitalReady(context: WorkedScene, desk: Desk): ReadyPlan {
  const rows = rowsOf(context, desk);
  const lines = [
    inputLine(context, desk),
    ...mixLines(rows),
    ...monitorLines(rows),
    readyLine(
      'masters',
      'Masters up',
      'Mix, groups, auxes and matrices at 0 dB.',
      down(rows.masters, 'fader', String(START.mastersDb)),
    ),
    effectLine(desk, rows.channels),
    readyLine(
      'muted',
      'Outputs muted',
      'Mix and monitors stay muted until they are opened by hand.',
      down([...rows.mix, ...rows.auxes], 'mute', 'on'),
    ),
  ];
  return { isFromNothing: true, lines, opens: opened(rows) };
}

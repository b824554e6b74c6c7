import type { DeviceInput } from './device';
import { device } from './device';

const PERFORMERS = ['Narrator', 'Foley', 'Harp', 'Conductor'] as const;

/** Whose pairs hang on the junction boxes of the Kiln. */
const JUNCTION_PAIRS = [
  'Lamplighter',
  'Ferry keeper',
  'Foley left',
  'Foley right',
  'Vibraphone',
  'Bass clarinet',
  'Harmonium',
  'Frame drums',
  'Spare 1',
  'Spare 2',
] as const;

/** Loudspeakers, cues, talkback, players and clocks. */
export const MONITORING: readonly DeviceInput[] = [
  device('Monitor controller', 'batch', 'monitorController', { sources: 4, speakerSets: 2 }),
  device('Large monitors left', 'batch', 'loudspeaker', { powered: false, impedanceOhm: 4, distanceM: 2.6 }),
  device('Large monitors right', 'batch', 'loudspeaker', { powered: false, impedanceOhm: 4, distanceM: 2.6 }),
  device('Monitor amplifier', 'batch', 'powerAmp', { channels: 2 }),
  device('Small monitor left', 'batch', 'loudspeaker', { distanceM: 1.2 }),
  device('Small monitor right', 'batch', 'loudspeaker', { distanceM: 1.2 }),
  ...PERFORMERS.flatMap((name, i) => [
    device(`Cue box ${String(i + 1)}`, name === 'Narrator' ? 'booth' : 'kiln', 'headphoneBox', {
      channels: 8,
    }),
    device(`${name} headphones`, name === 'Narrator' ? 'booth' : 'kiln', 'headphones', {
      impedanceOhm: name === 'Conductor' ? 250 : 64,
      sensitivityDbPerMw: name === 'Conductor' ? 96 : 98,
      build: name === 'Harp' ? 'open' : 'closed',
    }),
  ]),
  ...['A', 'B', 'C', 'D'].map((letter) =>
    device(`Cue amplifier ${letter}`, 'batch', 'cueAmp', { outputs: 2 }),
  ),
  ...[1, 2, 3, 4, 5].map((n) =>
    device(`Kiln junction ${String(n)}`, 'kiln', 'headphoneJunction', { connector: 'xlr' }),
  ),
  ...JUNCTION_PAIRS.map((name) =>
    device(`${name} headphones`, 'kiln', 'headphones', {
      // Spare pairs are what is left over: open, and of another make-up.
      ...(name.startsWith('Spare')
        ? { impedanceOhm: 32, sensitivityDbPerMw: 102, build: 'open' }
        : { impedanceOhm: 64, sensitivityDbPerMw: 98 }),
    }),
  ),
  device('Rostrum headphones', 'kiln', 'headphones', { impedanceOhm: 64, sensitivityDbPerMw: 98 }),
  device('Talkback microphone', 'batch', 'talkback'),
  device('Click player', 'batch', 'mediaPlayer'),
  device('Click pad', 'kiln', 'inlinePad', {}),
  device('Reference player', 'batch', 'mediaPlayer'),
  device('House clock', 'batch', 'clockGenerator', { outputs: 8 }),
  device('Timecode clock', 'batch', 'timecodeSource', { outputs: 2 }),
];

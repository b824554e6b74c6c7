import type { DeviceInput } from './device';
import { device } from './device';

const PERFORMERS = ['Narrator', 'Foley', 'Harp', 'Conductor'] as const;

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
  device('Talkback', 'batch', 'talkback'),
  device('Reference player', 'batch', 'mediaPlayer'),
  device('House clock', 'batch', 'clockGenerator', { outputs: 8 }),
  device('Timecode clock', 'batch', 'timecodeSource', { outputs: 2 }),
];

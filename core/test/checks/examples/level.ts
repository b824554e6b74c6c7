import type { Parts } from '../../fixtures/studioOf';
import { WORKED_LADDER } from '../../fixtures/workedLadder';
import type { Examples } from './example';
import { dawParts, hardwareSlot, loudspeaker, track } from './example';

const gain = (gainDb: number): Parts => ({
  ...WORKED_LADDER,
  settings: { ...WORKED_LADDER.settings, 'preamp/gainDb/1': gainDb },
});

/** A hardware insert over the opto, from and to channels of reference levels of their own. */
const trip = (settings: Parts['settings']): Parts =>
  dawParts([track('narrator', { inserts: [hardwareSlot(1, 1, { delaySamples: 150 })] })], {
    devices: [{ id: 'opto', type: 'dynamics', params: {} }],
    wires: [
      ['converter/line-out-1/1', 'opto/in-1/1'],
      ['opto/out-1/1', 'converter/line-in-1/1'],
    ],
    ...(settings && { settings }),
  });

const driven = (outputOhm: number): Parts => ({
  devices: [
    { id: 'transistor', type: 'dynamics', params: { outputOhm } },
    { id: 'opto', type: 'dynamics', params: { inputOhm: 6000 } },
  ],
  wires: [['transistor/out-1/1', 'opto/in-1/1']],
});

const player = (output: string): Parts => ({
  devices: [
    { id: 'player', name: 'Reference player', type: 'mediaPlayer', params: { output } },
    { id: 'opto', type: 'dynamics', params: {} },
  ],
  wires: [['player/out-1/1', 'opto/in-1/1']],
});

/** Two tracks at line-up, crest 20 dB, onto one host output: each peaks at -1.0 dBFS, both at +2.0. */
const summed = (faderDb: number): Parts =>
  dawParts(
    ['foley', 'drums'].map((id, i) =>
      track(id, { number: i + 1, crestDb: 20, faderDb, outputs: [{ to: 'host', first: 1 }] }),
    ),
    { devices: [loudspeaker('monitor')], wires: [['converter/line-out-1/1', 'monitor/in/1']] },
  );

/** One microphone on two preamps whose outputs meet in a summing mixer. */
const twice = (settings: Parts['settings']): Parts => ({
  devices: [
    {
      id: 'mic',
      type: 'microphone',
      params: { principle: 'dynamic', sensitivityMvPerPa: 2, sourceOhm: 100 },
    },
    { id: 'preamp', type: 'micPreamp', params: { channels: 2 } },
    { id: 'mixer', name: 'Summing mixer', type: 'summingMixer', params: { inputs: 4 } },
  ],
  wires: [
    ['mic/out/1', 'preamp/mic-1/1'],
    ['mic/out/1', 'preamp/mic-2/1'],
    ['preamp/out-1/1', 'mixer/in-1/1'],
    ['preamp/out-2/1', 'mixer/in-3/1'],
  ],
  threads: [{ from: 'mic/out/1', purpose: 'feed', to: 'mixer/in-1/1' }],
  ...(settings && { settings }),
});

export const LEVEL_EXAMPLES: Examples<
  'low-into-converter' | 'line-up-mismatch' | 'loading' | 'unbalanced-leg' | 'summing-headroom' | 'polarity'
> = {
  'low-into-converter': {
    // −19.0 dBFS at 44 dB of gain: 33 dB puts it exactly 12.0 dB under −18 dBFS, 32 dB a decibel lower.
    trips: gain(32),
    nearMiss: gain(34),
    at: ['thread:thread-1', 'lane:converter/line-in-1/1'],
  },
  'line-up-mismatch': {
    trips: trip({ 'converter/adcReferenceDbu/1': 18 }),
    nearMiss: trip({ 'converter/adcReferenceDbu/1': 18, 'converter/dacReferenceDbu/1': 18 }),
    at: ['track:narrator', 'station:converter/dac-1', 'station:converter/adc-1'],
  },
  loading: {
    trips: driven(620),
    nearMiss: driven(600),
    at: ['lane:transistor/out-1/1', 'lane:opto/in-1/1'],
  },
  'unbalanced-leg': {
    trips: player('unbalanced line'),
    nearMiss: player('balanced line'),
    at: ['lane:player/out-1/1', 'lane:opto/in-1/1'],
  },
  'summing-headroom': { trips: summed(0), nearMiss: summed(-3), at: ['lane:daw/stream-out/1'] },
  polarity: {
    trips: twice({ 'preamp/invert/2': true }),
    nearMiss: twice({ 'preamp/invert/1': true, 'preamp/invert/2': true }),
    at: ['thread:thread-1', 'lane:mixer/bus/1'],
  },
};

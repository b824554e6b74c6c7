import type { Parts } from '../../fixtures/studioOf';
import type { Examples } from './example';
import { dawParts, hardwareSlot, loudspeaker, track } from './example';

type DeviceParts = NonNullable<Parts['devices']>[number];

/** A preamp with an optical link into an interface that runs on its own clock. */
const linked = (clock: DeviceParts['clock'], rate: 48_000 | 96_000 = 48_000, channel = 1): Parts => ({
  devices: [
    { id: 'mic', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
    {
      id: 'optical',
      name: 'Optical preamp',
      type: 'opticalPreamp',
      params: {},
      clock: { follows: 'internal' },
    },
    {
      id: 'interface',
      name: 'Cue interface',
      type: 'audioInterface',
      params: { lineInputs: 0, hostStreams: 8 },
      ...(clock && { clock }),
    },
  ],
  wires: [
    ['mic/out/1', `optical/mic-${channel}/1`],
    ...[1, 2, 3, 4, 5, 6, 7, 8].map(
      (n) => [`optical/optical-out-1/${n}`, `interface/optical-in-1/${n}`] as const,
    ),
  ],
  threads: [{ from: 'mic/out/1', purpose: 'feed', to: 'interface/host-out/1' }],
  session: { sampleRateHz: rate },
});

const FOLLOWS = { follows: 'optical-in-1' } as const;

/** A hardware insert whose round trip of 64 + 10 + 12 + 64 samples is typed in, or not. */
const slot = (delaySamples: number | undefined): Parts =>
  dawParts(
    [
      track('narrator', {
        inserts: [hardwareSlot(1, 1, delaySamples === undefined ? {} : { delaySamples })],
      }),
    ],
    {
      devices: [{ id: 'opto', type: 'dynamics', params: {} }],
      wires: [
        ['converter/line-out-1/1', 'opto/in-1/1'],
        ['opto/out-1/1', 'converter/line-in-1/1'],
      ],
    },
  );

/** A track beside a parallel one over a hardware insert, onto one output. */
const parallel = (delaySamples: number): Parts =>
  dawParts(
    [
      track('narrator', {
        outputs: [{ to: 'host', first: 2 }],
        sends: [{ destination: { to: 'bus', bus: 'crush' as never }, preFader: false, levelDb: 0, pan: 0 }],
      }),
      track('crush', {
        kind: 'aux',
        number: 2,
        input: { from: 'bus', bus: 'crush' as never },
        inserts: [hardwareSlot(1, 1, { delaySamples })],
        outputs: [{ to: 'host', first: 2 }],
        faderDb: -6,
      }),
    ],
    {
      devices: [{ id: 'opto', type: 'dynamics', params: {} }, loudspeaker('monitor')],
      wires: [
        ['converter/line-out-1/1', 'opto/in-1/1'],
        ['opto/out-1/1', 'converter/line-in-1/1'],
        ['converter/line-out-1/2', 'monitor/in/1'],
      ],
      session: {
        buses: [{ id: 'crush', name: 'Crush', width: 1 }] as never,
        hostProfile: {
          insertPairs: 'strict',
          trims: false,
          insertDelay: 'typed in',
          compensates: true,
          reusePair: true,
        },
      },
    },
  );

/** A performer who hears their own microphone by way of the DAW. */
const throughTheDaw = (cueLimitMs: number): Parts =>
  dawParts(
    [
      track('narrator', {
        input: { from: 'host', first: 1 },
        inputMonitor: true,
        outputs: [{ to: 'host', first: 1 }],
      }),
    ],
    {
      devices: [
        { id: 'mic', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
        { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
        { id: 'cue', type: 'cueAmp', params: { outputs: 1 } },
        { id: 'phones', name: 'Narrator headphones', type: 'headphones', params: {} },
      ],
      wires: [
        ['mic/out/1', 'preamp/mic-1/1'],
        ['preamp/out-1/1', 'converter/line-in-1/1'],
        ['converter/line-out-1/1', 'cue/in-left/1'],
        ['cue/phones-1/1', 'phones/in/1'],
      ],
      threads: [{ from: 'mic/out/1', performer: 'Imke Tarrow' }],
      session: {
        performers: [{ id: 'narrator', name: 'Imke Tarrow', headphones: 'phones', cueLimitMs }],
      },
    },
  );

const automated = (wires: Parts['wires']): Parts => ({
  devices: [
    { id: 'console', name: 'Split console', type: 'splitConsole', params: {} },
    { id: 'timecode', name: 'Timecode clock', type: 'timecodeSource', params: {} },
  ],
  ...(wires && { wires }),
  session: { automatedConsole: 'console' },
});

export const TIME_EXAMPLES: Examples<
  | 'clock-masters'
  | 'rate-mismatch'
  | 'lanes-lost-at-rate'
  | 'insert-uncompensated'
  | 'parallel-comb'
  | 'cue-delay'
  | 'timecode-missing'
> = {
  'clock-masters': {
    trips: linked({ follows: 'internal' }),
    nearMiss: linked(FOLLOWS),
    at: ['device:interface', 'device:optical'],
  },
  'rate-mismatch': {
    trips: dawParts([track('narrator', { recordedAtHz: 44_100 })]),
    nearMiss: dawParts([track('narrator', { recordedAtHz: 48_000 })]),
    at: ['track:narrator'],
  },
  'lanes-lost-at-rate': {
    trips: linked(FOLLOWS, 96_000, 5),
    nearMiss: linked(FOLLOWS, 96_000, 4),
    at: ['thread:thread-1', 'lane:optical/optical-out-1/1'],
  },
  'insert-uncompensated': { trips: slot(undefined), nearMiss: slot(150), at: ['track:narrator'] },
  'parallel-comb': {
    // 131 of 150 samples made up for: 19 are left, with a first notch at 1263 Hz.
    trips: parallel(131),
    nearMiss: parallel(150),
    at: ['track:narrator', 'lane:daw/output/2'],
  },
  'cue-delay': {
    // 12 + 64 + 64 + 10 samples: 3.13 ms at 48 kHz.
    trips: throughTheDaw(3),
    nearMiss: throughTheDaw(3.2),
    at: ['performer:narrator', 'thread:thread-1', 'device:phones'],
  },
  'timecode-missing': {
    trips: automated([]),
    nearMiss: automated([['timecode/timecode-1/1', 'console/timecode-in/1']]),
    at: ['device:console'],
  },
};

import type { Track } from '@ft/core/session/daw/trackSchema';
import type { Parts } from '../../fixtures/studioOf';
import { WORKED_LADDER } from '../../fixtures/workedLadder';
import type { Examples } from './example';
import { dawParts, hardwareSlot, loudspeaker, track } from './example';

const BUS = { id: 'cue-mix', name: 'Cue mix', width: 1 };

/** A track that records the bus it plays to, listening or not. */
const recordsItsBus = (inputMonitor: boolean): Parts =>
  dawParts(
    [
      track('take', {
        input: { from: 'bus', bus: BUS.id as never },
        outputs: [{ to: 'bus', bus: BUS.id as never }],
        inputMonitor,
      }),
    ],
    {
      session: { buses: [BUS] as never },
    },
  );

const outs = (...inputs: readonly string[]): Parts => ({
  devices: [
    { id: 'opto', type: 'dynamics', params: {} },
    { id: 'ducker', type: 'dynamics', params: { channels: 2 } },
    { id: 'desk', type: 'dynamics', name: 'Bus compressor', params: { channels: 2 } },
  ],
  wires: [
    ['opto/out-1/1', inputs[0]!],
    ['ducker/out-1/1', inputs[1]!],
  ],
});

/** Two pairs of headphones on one output of a cue amplifier of 10 Ω. */
const worn = (impedanceOhm: number): Parts => ({
  devices: [
    { id: 'cue', name: 'Cue amplifier', type: 'cueAmp', params: { outputs: 1 } },
    ...['narrator', 'actor'].map((id) => ({ id, type: 'headphones', params: { impedanceOhm } })),
  ],
  wires: [
    ['cue/phones-1/1', 'narrator/in/1'],
    ['cue/phones-1/1', 'actor/in/1'],
    ['cue/phones-1/2', 'narrator/in/2'],
    ['cue/phones-1/2', 'actor/in/2'],
  ],
});

/** A hardware insert over the opto, whose output leads somewhere. */
const inserted = (back: string): Parts =>
  dawParts([track('narrator', { inserts: [hardwareSlot(1, 1, { delaySamples: 150 })] })], {
    devices: [{ id: 'opto', type: 'dynamics', params: {} }, loudspeaker('monitor')],
    wires: [
      ['converter/line-out-1/1', 'opto/in-1/1'],
      ['opto/out-1/1', back],
    ],
  });

const pairOf = (back: number): Parts =>
  dawParts([track('narrator', { inserts: [hardwareSlot(1, back)] })], {
    devices: [{ id: 'opto', type: 'dynamics', params: {} }],
    wires: [
      ['converter/line-out-1/1', 'opto/in-1/1'],
      ['opto/out-1/1', `converter/line-in-1/${back}`],
    ],
  });

/** A stereo pair of microphones on two converter inputs. */
const stereo = (left: number, right: number): Parts => ({
  devices: [
    ...['left', 'right'].map((id) => ({
      id,
      type: 'microphone',
      params: { principle: 'dynamic', sensitivityMvPerPa: 2 },
    })),
    { id: 'preamp', type: 'micPreamp', params: { channels: 2 } },
    { id: 'converter', type: 'converter', params: { adcs: 4, dacs: 1 } },
    { id: 'daw', name: 'DAW', type: 'dawHost', params: { inputs: 4, outputs: 1 } },
  ],
  wires: [
    ['left/out/1', 'preamp/mic-1/1'],
    ['right/out/1', 'preamp/mic-2/1'],
    ['preamp/out-1/1', `converter/line-in-1/${left}`],
    ['preamp/out-2/1', `converter/line-in-1/${right}`],
    ...[1, 2, 3, 4].map((n) => [`converter/host-out/${n}`, `daw/stream-in/${n}`] as const),
  ],
  threads: [{ from: 'left/out/1' }, { from: 'right/out/1', link: { lead: 'thread-1', place: 2 } }],
});

/** One output of 600 Ω on one or two inputs of 10 kΩ: 0.50 dB, and 0.98 dB. */
const onInputs = (...inputs: readonly string[]): Parts => ({
  devices: [
    { id: 'transistor', type: 'dynamics', params: { outputOhm: 600 } },
    { id: 'opto', type: 'dynamics', params: {} },
    { id: 'valve', type: 'equaliser', params: {} },
  ],
  wires: inputs.map((input) => ['transistor/out-1/1', input] as const),
});

const playsTo = (wires: Parts['wires']): Parts =>
  dawParts([track('narrator', { outputs: [{ to: 'host', first: 1 }] })], {
    devices: [loudspeaker('monitor')],
    ...(wires && { wires }),
  });

/** The worked ladder with a bay beside it, and a cord there that is a part of it or of nothing. */
const beside = (cord: { from: string; to: string }, wires: Parts['wires'] = WORKED_LADDER.wires): Parts => ({
  ...WORKED_LADDER,
  devices: [
    ...WORKED_LADDER.devices!,
    { id: 'bay', type: 'patchbay', params: { columns: 2, normalling: 'none' } },
  ],
  wires: wires!,
  cords: [cord],
});

/** Two cords between jacks of a bay, and as many of the kind as the rig counts. */
const twoCords = (count: number): Parts => ({
  devices: [{ id: 'bay', type: 'patchbay', params: { columns: 4, normalling: 'none' } }],
  stocks: [{ id: 'tt', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 0.6, colour: '', count }],
  cords: [
    { from: 'bay/upper-1/1', to: 'bay/lower-3/1' },
    { from: 'bay/upper-2/1', to: 'bay/lower-4/1' },
  ],
});

const bus = (tracks: readonly Track[]): Parts =>
  dawParts(tracks, {
    devices: [loudspeaker('monitor')],
    wires: [['converter/line-out-1/1', 'monitor/in/1']],
    session: { buses: [{ ...BUS, id: 'plate', name: 'Plate' }] as never },
  });
const SENDS = track('narrator', {
  outputs: [{ to: 'host', first: 1 }],
  sends: [{ destination: { to: 'bus', bus: 'plate' as never }, preFader: false, levelDb: -12, pan: 0 }],
});
const LISTENS = track('plate', {
  kind: 'aux',
  number: 2,
  input: { from: 'bus', bus: 'plate' as never },
  outputs: [{ to: 'host', first: 1 }],
});

export const TOPOLOGY_EXAMPLES: Examples<
  | 'feedback-loop'
  | 'two-sources-one-input'
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
  'feedback-loop': { trips: recordsItsBus(true), nearMiss: recordsItsBus(false), at: ['track:take'] },
  'two-sources-one-input': {
    trips: outs('desk/in-1/1', 'desk/in-1/1'),
    nearMiss: outs('desk/in-1/1', 'desk/in-2/1'),
    at: ['lane:desk/in-1/1'],
  },
  'send-without-return': {
    trips: inserted('monitor/in/1'),
    nearMiss: inserted('converter/line-in-1/1'),
    at: ['track:narrator', 'lane:daw/output/1'],
  },
  'insert-pair-mismatch': { trips: pairOf(2), nearMiss: pairOf(1), at: ['track:narrator'] },
  'stereo-split': { trips: stereo(2, 1), nearMiss: stereo(1, 2), at: ['thread:thread-1', 'thread:thread-2'] },
  'mult-overload': {
    trips: onInputs('opto/in-1/1', 'valve/in-1/1'),
    nearMiss: onInputs('opto/in-1/1'),
    at: ['lane:transistor/out-1/1'],
  },
  // Two pairs of 64 Ω on 10 Ω are 1.1 dB softer than one; two of 250 Ω a third of a decibel.
  'cue-load': { trips: worn(64), nearMiss: worn(250), at: ['lane:cue/phones-1/1'] },
  'dead-end': {
    trips: playsTo([]),
    nearMiss: playsTo([['converter/line-out-1/1', 'monitor/in/1']]),
    at: ['track:narrator', 'lane:daw/output/1'],
  },
  'orphan-cord': {
    trips: beside({ from: 'bay/upper-1/1', to: 'bay/lower-2/1' }),
    nearMiss: beside({ from: 'bay/upper-1/1', to: 'bay/lower-2/1' }, [
      ['preamp/out-1/1', 'bay/upper-rear-1/1'],
      ['bay/lower-rear-2/1', 'opto/in-1/1'],
      ...WORKED_LADDER.wires!.filter(([from]) => from !== 'preamp/out-1/1'),
    ]),
    at: ['cord:cord-1'],
  },
  'cords-short': {
    trips: twoCords(1),
    nearMiss: twoCords(2),
    at: ['cord:cord-1', 'cord:cord-2'],
  },
  'virtual-not-physical': { trips: bus([SENDS]), nearMiss: bus([SENDS, LISTENS]), at: ['track:narrator'] },
};

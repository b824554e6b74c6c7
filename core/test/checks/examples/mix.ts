import type { Parts } from '../../fixtures/studioOf';
import { FREE, mixStudio, tracksOf } from '../../fixtures/mixStudio';
import type { Examples } from './example';
import { hardwareSlot, track } from './example';

const job = (number: number, on: string, units: readonly string[], state = 'live'): object => ({
  ...{ id: `job-${String(number)}`, number, track: on, at: { in: 'slot', slot: 1 }, state },
  chain: units.map((unit) => [`${unit}/channel-a`]),
});

/** Two tracks that both want the opto compressor, each in a job. */
const wanted = (second: string): Parts =>
  mixStudio({
    tracks: tracksOf(['NARR', 'LAMP']),
    session: {
      mix: { lengthS: 270 },
      jobs: [job(1, 'narr', ['opto']), job(2, 'lamp', ['opto', 'fast'], second)] as never,
    },
  });

/** An insert that goes out over 1 and comes back over 2; input 1 is free, or records something. */
const crossed = (records: boolean): Parts =>
  mixStudio({
    tracks: [
      track('narr', { inserts: [hardwareSlot(1, 2)] }),
      ...(records ? [track('lamp', { number: 2, input: { from: 'host', first: 1 } })] : []),
    ],
    session: { hostProfile: FREE },
    more: {
      threads: [
        {
          ...{ from: 'daw/output/1', purpose: 'insert', inserts: ['opto/channel-a'] },
          pins: { 'daw-input': 'daw/input-2' },
        },
      ],
      cords: [
        { from: 'out/upper-1/1', to: 'out/lower-1/1', thread: 'thread-1' },
        { from: 'back/upper-1/1', to: 'back/lower-2/1', thread: 'thread-1' },
      ],
    },
  });

/** A stem of a sum far down its fader, or just not. */
const stem = (faderDb: number): Parts =>
  mixStudio({
    tracks: [track('vox', { name: 'VOX', faderDb, outputs: [{ to: 'host', first: 1 }] })],
    session: {
      sums: [
        {
          ...{ id: 'sum', name: 'Sum', mixers: ['converter'], school: 'all pairs', scenes: ['scene'] },
          stems: [{ track: 'vox', sound: 'lead' }],
        },
      ] as never,
    },
  });

/** What one output plays comes back on both sides over a re-amp box, its isolated output upside down or not. */
const reamped = (isInverted: boolean): Parts =>
  mixStudio({
    units: [],
    isWired: true,
    tracks: [
      track('dry', { name: 'DRY', outputs: [{ to: 'host', first: 1 }] }),
      track('wide', {
        ...{ number: 2, name: 'WIDE', width: 2, kind: 'aux', input: { from: 'host', first: 1 } },
      }),
    ],
    more: {
      devices: [{ id: 'reamp', name: 'Re-amp box', type: 'reampBox', params: {} }],
      wires: [
        ['converter/line-out-1/1', 'reamp/in-1/1'],
        ['reamp/direct-1/1', 'converter/line-in-1/1'],
        ['reamp/isolated-1/1', 'converter/line-in-1/2'],
      ],
      settings: { 'reamp/invert/1': isInverted },
    },
  });

/** A track on the left of the mix that is sent to a hardware compressor beside it, there as here or in the middle. */
const beside = (pan: number): Parts =>
  mixStudio({
    tracks: [
      track('lamp', {
        ...{ name: 'LAMP', pan: -20, outputs: [{ to: 'bus', bus: 'mix' as never }] },
        sends: [{ destination: { to: 'bus', bus: 'crush' as never }, preFader: false, levelDb: 0, pan }],
      }),
      track('crush', {
        ...{ number: 2, name: 'CRUSH', kind: 'aux', width: 2, input: { from: 'bus', bus: 'crush' as never } },
        inserts: [hardwareSlot(1)],
      }),
    ],
    session: {
      buses: [
        { id: 'mix', name: 'Mix', width: 2 },
        { id: 'crush', name: 'Crush', width: 2 },
      ] as never,
    },
  });

export const MIX_EXAMPLES: Examples<
  'unit-wanted-twice' | 'pair-not-on-own-number' | 'fader-far-from-unity' | 'mono-sum-loss' | 'pan-mismatch'
> = {
  'fader-far-from-unity': { trips: stem(-23), nearMiss: stem(-20), at: ['track:vox'] },
  'pan-mismatch': { trips: beside(0), nearMiss: beside(-20), at: ['track:crush', 'track:lamp'] },
  'mono-sum-loss': { trips: reamped(true), nearMiss: reamped(false), at: ['track:wide', 'track:dry'] },
  'unit-wanted-twice': {
    trips: wanted('live'),
    nearMiss: wanted('to commit'),
    at: ['station:opto/channel-a', 'track:lamp', 'track:narr'],
  },
  'pair-not-on-own-number': {
    trips: crossed(false),
    nearMiss: crossed(true),
    at: ['track:narr'],
  },
};

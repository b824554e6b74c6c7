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

export const MIX_EXAMPLES: Examples<'unit-wanted-twice' | 'pair-not-on-own-number'> = {
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

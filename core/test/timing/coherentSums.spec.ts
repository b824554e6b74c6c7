import { timeView } from '@ft/core/views/time/timeView';
import { soundOf } from '@ft/core/timing/coherentSums';
import { dawParts, track } from '../checks/examples/example';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, studioOf } from '../fixtures/studioOf';

type Line = NonNullable<Parts['threads']>[number];

const METRES_PER_MS = 0.3432;
const DYNAMIC = { principle: 'dynamic', sensitivityMvPerPa: 2, sourceOhm: 100 };

/** Two equal microphones on preamps of equal gain into one bus of a mixer. */
const pair = (close: Partial<Line>, distant: Partial<Line>): Parts => ({
  devices: [
    { id: 'close', type: 'microphone', params: DYNAMIC },
    { id: 'distant', type: 'microphone', params: DYNAMIC },
    { id: 'preamp', type: 'micPreamp', params: { channels: 2 } },
    { id: 'mixer', type: 'summingMixer', params: { inputs: 4 } },
  ],
  wires: [
    ['close/out/1', 'preamp/mic-1/1'],
    ['distant/out/1', 'preamp/mic-2/1'],
    ['preamp/out-1/1', 'mixer/in-1/1'],
    ['preamp/out-2/1', 'mixer/in-3/1'],
  ],
  threads: [
    { from: 'close/out/1', purpose: 'feed', to: 'mixer/in-1/1', performer: 'Wen', crestDb: 12, ...close },
    { from: 'distant/out/1', purpose: 'feed', to: 'mixer/in-3/1', performer: 'Wen', crestDb: 12, ...distant },
  ],
});

const microphones = (parts: Parts) =>
  timeView(contextOf(studioOf(parts))).parallelPaths.filter(({ of }) => of === 'microphones');

describe('a close and a distant microphone of one sound', () => {
  // Inverse distance: three times as far is 9.54 dB softer; 1/3 of the voltage dips 3.52 dB and lifts 2.50.
  it('make the comb of the three-to-one rule, late by the air between them', () => {
    const [met, ...more] = microphones(
      pair(
        { source: 'Harp, close', distanceM: 0.5, levelDbSpl: 94 },
        { source: 'Harp, room', distanceM: 1.5, levelDbSpl: 94 - 9.5424 },
      ),
    );
    expect(more).toEqual([]);
    expect(met!.source).toBe('Wen, Harp');
    expect(met!.place).toContain('bus 1');
    expect(met!.ways.map(({ through }) => through)).toEqual(['1 Wen, Harp, close', '2 Wen, Harp, room']);
    const late = met!.ways[1]!;
    expect(late.lateMs).toBeCloseTo(1 / METRES_PER_MS, 2);
    expect(late.levelDb).toBeCloseTo(-9.5424, 3);
    expect(met!.notchesHz[0]).toBeCloseTo(1000 / (2 * late.lateMs), 3);
    expect(met!.dipDb).toBeCloseTo(-3.52, 2);
    expect(met!.peakDb).toBeCloseTo(2.5, 2);
  });

  it('are not taken for one sound where the sources read otherwise, or nobody said', () => {
    const at = { distanceM: 0.5, levelDbSpl: 94 };
    expect(microphones(pair({ source: 'Harp', ...at }, { source: 'Bells', ...at, distanceM: 2 }))).toEqual(
      [],
    );
    expect(microphones(pair({ source: '', ...at }, { source: '', ...at, distanceM: 2 }))).toEqual([]);
    const other = { source: 'Harp', performer: 'Imke', ...at, distanceM: 2 };
    expect(microphones(pair({ source: 'Harp', ...at }, other))).toEqual([]);
  });

  it('make no comb where they stand equally far', () => {
    const at = { distanceM: 0.5, levelDbSpl: 94 };
    expect(microphones(pair({ source: 'Harp, left', ...at }, { source: 'Harp, right', ...at }))).toEqual([]);
  });

  it('still do when they are played from their tracks: the air is on the recording', () => {
    const parts = dawParts(
      ['close', 'room'].map((name, i) =>
        track(name, { number: i + 1, name, outputs: [{ to: 'host', first: 1 }] }),
      ),
      {
        devices: ['close', 'distant'].map((id) => ({ id, type: 'microphone', params: DYNAMIC })),
        threads: [
          { from: 'close/out/1', source: 'Harp, close', trackName: 'close', distanceM: 0.5 },
          { from: 'distant/out/1', source: 'Harp, room', trackName: 'room', distanceM: 4 },
        ],
      },
    );
    const [met] = microphones(parts);
    expect(met!.place).toContain('output 1');
    expect(met!.ways[1]!.lateMs).toBeCloseTo(3.5 / METRES_PER_MS, 2);
    expect(met!.ways[1]!.levelDb).toBeCloseTo(0, 6);
  });
});

it('a sound is what stands before the comma, with who makes it', () => {
  expect(soundOf({ performer: 'Wen Askelby', source: 'Harp, room' })).toBe('Wen Askelby, Harp');
  expect(soundOf({ performer: '', source: 'Harp' })).toBe('Harp');
  expect(soundOf({ performer: 'Wen Askelby', source: ' ' })).toBe('');
});

import {
  FRAME_RATES,
  quarterFrames,
  QuarterFrameReader,
  secondsOf,
  timecodeAt,
} from '@ft/core/takes/quarterFrames';
import { seeded } from '../fixtures/seeded';

const [, PAL, DROP, NON_DROP] = FRAME_RATES;
const at = (
  hours: number,
  minutes: number,
  seconds: number,
  frames: number,
  rate: (typeof FRAME_RATES)[number],
) => ({
  ...{ hours, minutes, seconds, frames, rate },
});

describe('timecode', () => {
  // SMPTE ST 12-1, from memory: of drop-frame the numbers 0 and 1 of every minute are left out, but of every tenth.
  it.each([
    [at(0, 0, 59, 29, DROP), 1_799],
    [at(0, 1, 0, 2, DROP), 1_800],
    [at(0, 10, 0, 0, DROP), 17_982],
    [at(1, 0, 0, 0, DROP), 107_892],
    [at(1, 0, 0, 0, NON_DROP), 108_000],
    [at(1, 0, 0, 0, PAL), 90_000],
  ])('%o is frame %d', (code, frame) => {
    expect(Math.round(secondsOf(code) * code.rate)).toBe(frame);
    expect(timecodeAt(frame / code.rate, code.rate)).toEqual(code);
  });

  it('of drop-frame counts every frame of ten minutes once', () => {
    const seen = new Set<string>();
    for (let frame = 0; frame < 17_982; frame++) {
      const code = timecodeAt(frame / DROP, DROP);
      expect(Math.round(secondsOf(code) * DROP)).toBe(frame);
      seen.add(`${code.minutes}:${code.seconds}:${code.frames}`);
    }
    expect(seen.size).toBe(17_982);
  });
});

describe('quarter frames', () => {
  it('are eight messages that say a time once all are there, two frames late but for a quarter', () => {
    const dice = seeded(3);
    for (const rate of FRAME_RATES)
      for (let i = 0; i < 50; i++) {
        const code = timecodeAt(dice.roll() * 86_000, rate);
        const reader = new QuarterFrameReader();
        const read = quarterFrames(code).map((message) => reader.read(message));
        expect(read.slice(0, 7)).toEqual(Array.from({ length: 7 }, () => undefined));
        expect(read[7]).toBeCloseTo(secondsOf(code) + 1.75 / rate, 9);
      }
  });

  // MIDI 1.0 Detailed Specification, MIDI Time Code, from memory: 01:02:03:04 at 25 frames.
  it('have the bits the specification gives them', () => {
    expect(quarterFrames(at(1, 2, 3, 4, PAL)).map(([, data]) => data)).toEqual([
      0x04, 0x10, 0x23, 0x30, 0x42, 0x50, 0x61, 0x72,
    ]);
  });

  it('say nothing where one is missing, where they run backwards, or among other messages', () => {
    const messages = quarterFrames(at(1, 2, 3, 4, PAL));
    const all = (list: readonly (readonly number[])[]): readonly (number | undefined)[] => {
      const reader = new QuarterFrameReader();
      return list.map((message) => reader.read(message));
    };
    expect(all(messages.filter((_, i) => i !== 3))).not.toContainEqual(expect.any(Number));
    expect(all([...messages].reverse())).not.toContainEqual(expect.any(Number));
    expect(
      all(messages.flatMap((message) => [message, [0xf8], [0x90, 60, 100]])).filter(
        (each) => each !== undefined,
      ),
    ).toHaveLength(1);
    // After what was lost, the next eight are read.
    expect(all([...messages.slice(2), ...messages]).at(-1)).toEqual(expect.any(Number));
  });
});

import { combOf } from '@ft/core/timing/comb';
import { logFrequenciesHz, responseDb } from '@ft/core/timing/response';
import { seeded } from '../fixtures/seeded';

const difference = (differenceSamples: number, levelDifferenceDb = 0, inverted = false) => ({
  differenceSamples,
  levelDifferenceDb,
  inverted,
});

describe('two equal copies, one late', () => {
  // Derived: notches at (2k + 1) / 2τ.
  it.each([
    [44_100, 0.431, 1160.5, 3481.6],
    [48_000, 0.396, 1263.2, 3789.5],
  ])('by 19 samples at %d Hz are %f ms apart, with notches at %f and %f Hz', (rate, ms, first, second) => {
    const comb = combOf(difference(19), rate);
    expect(comb.differenceMs).toBeCloseTo(ms, 3);
    expect(comb.notchesHz[0]).toBeCloseTo(first, 1);
    expect(comb.notchesHz[1]).toBeCloseTo(second, 1);
    expect(comb.dipDb).toBe(-Infinity);
  });

  it.each([
    [6, -6.04, 3.53],
    [10, -3.3, 2.39],
  ])('%d dB apart in level dip by %f and peak by %f dB', (apart, dip, peak) => {
    const comb = combOf(difference(19, apart), 48_000);
    expect(comb.dipDb).toBeCloseTo(dip, 2);
    expect(comb.peakDb).toBeCloseTo(peak, 2);
  });

  it('with the polarity turned lose the bass: the first notch is at 0 Hz', () => {
    expect(combOf(difference(48, 0, true), 48_000).notchesHz.slice(0, 2)).toEqual([0, 1000]);
  });

  it('that meet in time have no notches', () => {
    expect(combOf(difference(0), 48_000).notchesHz).toEqual([]);
  });
});

/** Arrivals as an impulse response, and its discrete Fourier transform at one bin: no phasor is written down. */
function transformedDb(
  ways: readonly { gainDb: number; alignedSamples: number; inverted: boolean }[],
  bin: number,
  length: number,
): number {
  const impulse = new Float64Array(length);
  for (const { gainDb, alignedSamples, inverted } of ways)
    impulse[alignedSamples]! += 10 ** (gainDb / 20) * (inverted ? -1 : 1);
  let [real, imaginary] = [0, 0];
  impulse.forEach((sample, n) => {
    real += sample * Math.cos((2 * Math.PI * bin * n) / length);
    imaginary -= sample * Math.sin((2 * Math.PI * bin * n) / length);
  });
  return 10 * Math.log10(real * real + imaginary * imaginary);
}

describe('the sum of several ways', () => {
  it('is the Fourier transform of their impulse response, on random ways', () => {
    const dice = seeded(11);
    for (let run = 0; run < 60; run++) {
      const ways = Array.from({ length: 2 + dice.below(4) }, () => ({
        gainDb: -dice.below(20),
        alignedSamples: dice.below(500),
        inverted: dice.chance(0.3),
      }));
      const bin = 1 + dice.below(400);
      const told = responseDb(ways, (bin * 48_000) / 1024, 48_000);
      if (told > -60) expect(told).toBeCloseTo(transformedDb(ways, bin, 1024), 6);
    }
  });

  it('dips and peaks as far as the comb says, wherever the notches are', () => {
    const dice = seeded(12);
    for (let run = 0; run < 30; run++) {
      const each = difference(20 + dice.below(200), 1 + dice.below(12), dice.chance(0.5));
      const ways = [
        { gainDb: 0, alignedSamples: 0, inverted: false },
        { gainDb: -each.levelDifferenceDb, alignedSamples: each.differenceSamples, inverted: each.inverted },
      ];
      const comb = combOf(each, 48_000);
      for (const hz of comb.notchesHz) expect(responseDb(ways, hz, 48_000)).toBeCloseTo(comb.dipDb, 6);
      const levels = logFrequenciesHz(4000).map((hz) => responseDb(ways, hz, 48_000));
      expect(Math.min(...levels)).toBeGreaterThanOrEqual(comb.dipDb - 1e-9);
      expect(Math.max(...levels)).toBeCloseTo(comb.peakDb, 1);
    }
  });
});

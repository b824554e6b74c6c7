import { linkLanes } from '@ft/core/units/linkLanes';
import { panGainsDb } from '@ft/core/units/panLaw';

describe('lanes of a digital link', () => {
  // MADI: AES10, from memory, without vari-speed. Optical: common practice, no source.
  it.each([
    ['madi', 44_100, 64],
    ['madi', 48_000, 64],
    ['madi', 96_000, 32],
    ['madi', 192_000, 16],
    ['optical', 44_100, 8],
    ['optical', 88_200, 4],
    ['optical', 176_400, 2],
    ['aes3', 48_000, 2],
    ['aes3', 192_000, 2],
  ] as const)('%s at %d Hz: %d', (kind, rate, lanes) => {
    expect(linkLanes(kind, rate)).toBe(lanes);
  });
});

describe('pan laws (common practice, no source)', () => {
  it.each([
    [-3, -3.01],
    [-4.5, -4.52],
    [-6, -6.02],
  ] as const)('%d dB: both sides of the centre', (law, db) => {
    for (const gain of panGainsDb(0, law)) expect(gain).toBeCloseTo(db, 2);
  });

  it('leave a side alone at its end, and keep the power of the −3 dB law', () => {
    expect(panGainsDb(-100, -3)[0]).toBeCloseTo(0, 9);
    expect(panGainsDb(100, -3)[0]).toBe(-Infinity);
    for (const position of [-80, -33, 0, 10, 75]) {
      const power = panGainsDb(position, -3).reduce((sum, gain) => sum + 10 ** (gain / 10), 0);
      expect(power).toBeCloseTo(1, 9);
    }
  });
});

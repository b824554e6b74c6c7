/** Two arrivals of one sound, as they differ. */
export interface Difference {
  readonly differenceSamples: number;
  /** Level of the stronger less that of the weaker, zero or positive. */
  readonly levelDifferenceDb: number;
  readonly inverted: boolean;
}

/** What two arrivals of one sound make together. */
export interface Comb {
  readonly differenceMs: number;
  /** The first notches up to 20 kHz. */
  readonly notchesHz: readonly number[];
  /** Least and greatest of the sum over the stronger arrival alone, dB. */
  readonly dipDb: number;
  readonly peakDb: number;
}

const HIGHEST_HZ = 20_000;
const MOST_NOTCHES = 5;

/**
 * Notches at (2k + 1) / 2τ; with the polarity turned at k / τ, the first of them at 0 Hz: the bass goes.
 * Depth 20·log10(1 ∓ 10^(−d/20)) over the stronger one. Elementary; redone in the tests by a DFT.
 */
export function combOf(difference: Difference, sampleRateHz: number): Comb {
  const { differenceSamples, levelDifferenceDb, inverted } = difference;
  const seconds = Math.abs(differenceSamples) / sampleRateHz;
  const notchAt = (k: number): number => (inverted ? k : (2 * k + 1) / 2) / seconds;
  const notches = Array.from({ length: MOST_NOTCHES }, (_, k) => notchAt(k));
  const ratio = 10 ** (-levelDifferenceDb / 20);
  return {
    differenceMs: seconds * 1000,
    notchesHz: seconds === 0 ? [] : notches.filter((hz) => hz <= HIGHEST_HZ),
    dipDb: 20 * Math.log10(1 - ratio),
    peakDb: 20 * Math.log10(1 + ratio),
  };
}

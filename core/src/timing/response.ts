import type { Arrival } from '../levels/arrival';

/**
 * The sum of several arrivals of one sound at a frequency, as phasors: Σ ±10^(g/20)·e^(−j2πfτ), in dB over
 * the source.
 */
export function responseDb(
  arrivals: readonly Pick<Arrival, 'gainDb' | 'alignedSamples' | 'inverted'>[],
  frequencyHz: number,
  sampleRateHz: number,
): number {
  let [real, imaginary] = [0, 0];
  for (const { gainDb, alignedSamples, inverted } of arrivals) {
    const size = 10 ** (gainDb / 20) * (inverted ? -1 : 1);
    const angle = (-2 * Math.PI * frequencyHz * alignedSamples) / sampleRateHz;
    real += size * Math.cos(angle);
    imaginary += size * Math.sin(angle);
  }
  return 20 * Math.log10(Math.hypot(real, imaginary));
}

/** Frequencies that stand equally far apart on a logarithmic axis, both ends included. */
export const logFrequenciesHz = (count: number, fromHz = 20, toHz = 20_000): readonly number[] =>
  Array.from({ length: count }, (_, i) => fromHz * (toHz / fromHz) ** (i / (count - 1)));

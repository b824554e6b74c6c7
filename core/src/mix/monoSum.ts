import type { Arrival } from '../levels/arrival';
import { voltageRatioFromDb } from '../units/decibel';
import { logFrequenciesHz, responseDb } from '../timing/response';

/** What becomes of one sound when the two sides of something stereo are added to mono. */
export interface MonoSum {
  /** Under what both sides would make in phase, on average over the frequencies, dB; infinite where nothing is left. */
  readonly lossDb: number;
  /** The frequency that loses most, and how much it does. */
  readonly worstHz: number;
  readonly worstLossDb: number;
}

/** As many as tell a comb from a slope, equally apart on a logarithmic axis. */
const FREQUENCIES_HZ = logFrequenciesHz(400);

/**
 * Adds two sides as phasors, frequency by frequency: 20·log10(|L + R| / (|L| + |R|)), with the energy averaged over
 * logarithmic frequency from 20 Hz to 20 kHz.
 * @param sides ways of one sound to each side, with gain, delay and polarity.
 */
export function monoSum(
  sides: readonly [readonly Arrival[], readonly Arrival[]],
  sampleRateHz: number,
): MonoSum {
  let [summed, full] = [0, 0];
  let worst = { worstHz: 0, worstLossDb: 0 };
  for (const hz of FREQUENCIES_HZ) {
    const both = voltageRatioFromDb(responseDb(sides.flat(), hz, sampleRateHz));
    const inPhase = sides.reduce(
      (sum, side) => sum + voltageRatioFromDb(responseDb(side, hz, sampleRateHz)),
      0,
    );
    summed += both ** 2;
    full += inPhase ** 2;
    const loss = -20 * Math.log10(both / inPhase);
    if (loss > worst.worstLossDb) worst = { worstHz: hz, worstLossDb: loss };
  }
  return { ...worst, lossDb: -10 * Math.log10(summed / full) };
}

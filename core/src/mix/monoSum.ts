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

/** Ways of one sound to each of two sides, with gain, delay and polarity. */
export type Sides = readonly [readonly Arrival[], readonly Arrival[]];

/** A frequency, and what is lost there under what both sides would make in phase, dB. */
export interface MonoPoint {
  readonly hz: number;
  readonly lossDb: number;
}

interface Added {
  readonly hz: number;
  readonly both: number;
  readonly inPhase: number;
}

/** Both sides added as phasors at each frequency, and as they would be in phase; as ratios of voltage. */
const added = (sides: Sides, sampleRateHz: number): readonly Added[] =>
  FREQUENCIES_HZ.map((hz) => ({
    hz,
    both: voltageRatioFromDb(responseDb(sides.flat(), hz, sampleRateHz)),
    inPhase: sides.reduce((sum, side) => sum + voltageRatioFromDb(responseDb(side, hz, sampleRateHz)), 0),
  }));

const lossDb = ({ both, inPhase }: Pick<Added, 'both' | 'inPhase'>): number =>
  -20 * Math.log10(both / inPhase);

/** What the sum of two sides loses, frequency by frequency, from 20 Hz to 20 kHz. */
export const monoCurve = (sides: Sides, sampleRateHz: number): readonly MonoPoint[] =>
  added(sides, sampleRateHz).map((point) => ({ hz: point.hz, lossDb: lossDb(point) }));

/**
 * Adds two sides as phasors, frequency by frequency: 20·log10(|L + R| / (|L| + |R|)), with the energy averaged over
 * logarithmic frequency from 20 Hz to 20 kHz.
 */
export function monoSum(sides: Sides, sampleRateHz: number): MonoSum {
  let [summed, full] = [0, 0];
  let worst = { worstHz: 0, worstLossDb: 0 };
  for (const point of added(sides, sampleRateHz)) {
    summed += point.both ** 2;
    full += point.inPhase ** 2;
    const loss = lossDb(point);
    if (loss > worst.worstLossDb) worst = { worstHz: point.hz, worstLossDb: loss };
  }
  return { ...worst, lossDb: -10 * Math.log10(summed / full) };
}

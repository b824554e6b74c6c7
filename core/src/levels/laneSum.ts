import { peakOnSineScale } from '../units/analogueLevel';
import { dbFromVoltageRatio, powerSumDb, voltageRatioFromDb, voltageSumDb } from '../units/decibel';
import type { Arrival } from './arrival';
import type { LevelField } from './levelField';

/** What all sources make together at one lane, in its unit. Figures nobody gave are left out. */
export interface LaneSum {
  /** Sources heard here. */
  readonly sources: readonly number[];
  /** RMS of all, taken as unrelated; copies of one source at different times add as power too. */
  readonly nominal?: number;
  /** Peaks as unrelated sounds make them: added as power. */
  readonly peak?: number;
  /** Every peak at the same instant, and every way in phase: added as voltage. */
  readonly worstPeak?: number;
  /**
   * Copies of one sound that come at different times are alike for frequencies whose period is ten times as long and
   * more: below `belowHz` the sum is `nominal` here, RMS, copies added as voltages with their polarity.
   */
  readonly alike?: { readonly nominal: number; readonly belowHz: number };
  readonly noise?: number;
  /** Sources whose level or crest is not known, and so not counted. */
  readonly unknown: number;
}

const NOTHING: readonly Arrival[] = [];

/** Arrivals at a lane, none where nothing is heard. */
export const arrivalsAt = ({ arrivals }: LevelField, lane: number): readonly Arrival[] =>
  arrivals[lane] ?? NOTHING;

/** Level of one source here, of all its ways; changes of level since the source, dB. */
export interface Together {
  /** Where the copies are unlike each other: added as power. Where they are alike over the whole band, `alike`. */
  readonly power: number;
  /** All in phase: the most there can be. */
  readonly voltage: number;
  /** Where they are alike: added as voltages, polarity and all. */
  readonly alike: number;
  /** Up to which frequency they are alike; without end for one way alone. */
  readonly alikeBelowHz: number;
}

/** Copies are alike as long as they are less than a tenth of a period apart. Common practice, no source. */
const ALIKE_PERIODS = 0.1;
const HIGHEST_HZ = 20_000;

export function togetherDb(ways: readonly Arrival[], sampleRateHz: number): Together {
  const gains = ways.map(({ gainDb }) => gainDb);
  const times = ways.map(({ alignedSamples }) => alignedSamples);
  const apartS = (Math.max(...times) - Math.min(...times)) / sampleRateHz;
  const volts = ways.reduce((sum, way) => sum + voltageRatioFromDb(way.gainDb) * (way.inverted ? -1 : 1), 0);
  const alike = dbFromVoltageRatio(Math.abs(volts));
  const alikeBelowHz = ALIKE_PERIODS / apartS;
  return {
    power: ways.length > 1 && alikeBelowHz >= HIGHEST_HZ ? alike : powerSumDb(gains),
    voltage: voltageSumDb(gains),
    alike,
    alikeBelowHz,
  };
}

/** Arrivals by the source they are of. */
export function bySource(arrivals: readonly Arrival[]): ReadonlyMap<number, readonly Arrival[]> {
  const ways = new Map<number, Arrival[]>();
  for (const arrival of arrivals) {
    const own = ways.get(arrival.source);
    if (own === undefined) ways.set(arrival.source, [arrival]);
    else own.push(arrival);
  }
  return ways;
}

/** What stands at a lane when everything sounds. */
export function laneSum(field: LevelField, lane: number): LaneSum {
  const ways = bySource(arrivalsAt(field, lane));
  const [nominals, alikes]: [number[], number[]] = [[], []];
  let belowHz = Infinity;
  const [peaks, worst]: [number[], number[]] = [[], []];
  for (const [source, own] of ways) {
    const { nominal, crestDb } = field.sources[source] ?? {};
    if (nominal === undefined) continue;
    const { power, voltage, alike, alikeBelowHz } = togetherDb(own, field.sampleRateHz);
    nominals.push(nominal + power);
    alikes.push(nominal + alike);
    if (alikeBelowHz < HIGHEST_HZ) belowHz = Math.min(belowHz, alikeBelowHz);
    if (crestDb === undefined) continue;
    peaks.push(peakOnSineScale(nominal + power, crestDb));
    worst.push(peakOnSineScale(nominal + voltage, crestDb));
  }
  const noise = field.noisePower[lane] ?? 0;
  return {
    sources: [...ways.keys()],
    unknown: ways.size - peaks.length,
    ...(nominals.length > 0 && { nominal: powerSumDb(nominals) }),
    ...(belowHz < Infinity && { alike: { nominal: powerSumDb(alikes), belowHz } }),
    ...(peaks.length > 0 && { peak: powerSumDb(peaks), worstPeak: voltageSumDb(worst) }),
    ...(noise > 0 && { noise: 10 * Math.log10(noise) }),
  };
}

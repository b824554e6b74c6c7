import { peakOnSineScale } from '../units/analogueLevel';
import { powerSumDb, voltageSumDb } from '../units/decibel';
import type { Arrival } from './arrival';
import type { LevelField } from './levelField';

/** What all sources make together at one lane, in its unit. Figures nobody gave are left out. */
export interface LaneSum {
  /** Sources heard here. */
  readonly sources: readonly number[];
  /** RMS of all, taken as unrelated; ways of one source that do not meet in time add as power too. */
  readonly nominal?: number;
  /** Peaks as unrelated sounds make them: added as power. */
  readonly peak?: number;
  /** Every peak at the same instant, and every way in phase: added as voltage. */
  readonly worstPeak?: number;
  readonly noise?: number;
  /** Sources whose level or crest is not known, and so not counted. */
  readonly unknown: number;
}

const NOTHING: readonly Arrival[] = [];

/** Arrivals at a lane, none where nothing is heard. */
export const arrivalsAt = ({ arrivals }: LevelField, lane: number): readonly Arrival[] =>
  arrivals[lane] ?? NOTHING;

/**
 * Level of one source here, of all its ways: `power` as unrelated, `voltage` all in phase; changes of level
 * since the source, dB.
 */
export function togetherDb(ways: readonly Arrival[]): { readonly power: number; readonly voltage: number } {
  const gains = ways.map(({ gainDb }) => gainDb);
  return { power: powerSumDb(gains), voltage: voltageSumDb(gains) };
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
  const nominals: number[] = [];
  const [peaks, worst]: [number[], number[]] = [[], []];
  for (const [source, own] of ways) {
    const { nominal, crestDb } = field.sources[source] ?? {};
    if (nominal === undefined) continue;
    const { power, voltage } = togetherDb(own);
    nominals.push(nominal + power);
    if (crestDb === undefined) continue;
    peaks.push(peakOnSineScale(nominal + power, crestDb));
    worst.push(peakOnSineScale(nominal + voltage, crestDb));
  }
  const noise = field.noisePower[lane] ?? 0;
  return {
    sources: [...ways.keys()],
    unknown: ways.size - peaks.length,
    ...(nominals.length > 0 && { nominal: powerSumDb(nominals) }),
    ...(peaks.length > 0 && { peak: powerSumDb(peaks), worstPeak: voltageSumDb(worst) }),
    ...(noise > 0 && { noise: 10 * Math.log10(noise) }),
  };
}

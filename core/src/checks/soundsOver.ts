import type { Arrival } from '../levels/arrival';
import { bySource, togetherDb } from '../levels/laneSum';
import { clipLevel } from '../scene/clipLevel';
import type { WorkedScene } from '../scene/workedScene';
import { peakOnSineScale } from '../units/analogueLevel';
import { TOLERANCE } from '../units/tolerance';

/** The first place where one sound by itself is over a maximum. */
export interface SoundOver {
  /** Index of the source in the field. */
  readonly source: number;
  readonly lane: number;
  readonly peak: number;
  readonly max: number;
}

/** The peak each source has where it starts; -Infinity where a figure is missing. */
const startPeaks = ({ field }: WorkedScene): Float64Array =>
  Float64Array.from(field.sources, ({ nominal, crestDb }) =>
    nominal === undefined || crestDb === undefined ? -Infinity : peakOnSineScale(nominal, crestDb),
  );

/**
 * Whether any source could be over, all its ways in phase: most places are told from this alone.
 * @param ways room to count the ways of each source in; all zero before and after.
 */
function mayBeOver(
  arrivals: readonly Arrival[],
  peaks: Float64Array,
  max: number,
  ways: Uint16Array,
): boolean {
  for (const { source } of arrivals) ways[source] = (ways[source] ?? 0) + 1;
  let may = false;
  for (const { source, gainDb } of arrivals) {
    const own = ways[source] ?? 1;
    may ||= (peaks[source] ?? -Infinity) + gainDb + (own < 2 ? 0 : 20 * Math.log10(own)) > max;
  }
  for (const { source } of arrivals) ways[source] = 0;
  return may;
}

/**
 * Of every sound the first place, in signal order, where its own peak passes what a connector, bus or converter takes.
 * What comes after it is over because of it. Sums of several sounds are judged as sums.
 */
export function soundsOver(context: WorkedScene): readonly SoundOver[] {
  const { field } = context;
  const peaks = startPeaks(context);
  const counted = new Uint16Array(peaks.length);
  const found = new Map<number, SoundOver>();
  for (const index of field.order.lanes) {
    const arrivals = field.arrivals[index];
    const max = arrivals === undefined ? undefined : clipLevel(context, index);
    if (arrivals === undefined || max === undefined || !mayBeOver(arrivals, peaks, max, counted)) continue;
    for (const [source, ways] of bySource(arrivals)) {
      const start = peaks[source] ?? -Infinity;
      if (start === -Infinity || found.has(source)) continue;
      const peak = start + togetherDb(ways, field.sampleRateHz).power;
      if (peak - max > TOLERANCE.levelDb) found.set(source, { source, lane: index, peak, max });
    }
  }
  return [...found.values()];
}

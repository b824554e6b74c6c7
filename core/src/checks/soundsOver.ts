import type { Arrival } from '../levels/arrival';
import { arrivalsAt, bySource, togetherDb } from '../levels/laneSum';
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

/** The places where something may be over, in signal order: few of all lanes, so they are sorted at the end. */
function candidates(context: WorkedScene, peaks: Float64Array): readonly number[] {
  const { field } = context;
  const ways = new Uint16Array(peaks.length);
  const found: number[] = [];
  field.arrivals.forEach((arrivals, index) => {
    if (arrivals === undefined) return;
    const max = clipLevel(context, index);
    if (max !== undefined && mayBeOver(arrivals, peaks, max, ways)) found.push(index);
  });
  const { position } = field.order;
  return found.sort((a, b) => (position[a] ?? 0) - (position[b] ?? 0));
}

/**
 * Of every sound the first place, in signal order, where its own peak passes what a connector, bus or converter takes.
 * What comes after it is over because of it. Sums of several sounds are judged as sums.
 */
export function soundsOver(context: WorkedScene): readonly SoundOver[] {
  const { field } = context;
  const peaks = startPeaks(context);
  const found = new Map<number, SoundOver>();
  for (const lane of candidates(context, peaks)) {
    const max = clipLevel(context, lane) ?? Infinity;
    for (const [source, ways] of bySource(arrivalsAt(field, lane))) {
      const start = peaks[source] ?? -Infinity;
      if (start === -Infinity || found.has(source)) continue;
      const peak = start + togetherDb(ways, field.sampleRateHz).power;
      if (peak - max > TOLERANCE.levelDb) found.set(source, { source, lane, peak, max });
    }
  }
  return [...found.values()];
}

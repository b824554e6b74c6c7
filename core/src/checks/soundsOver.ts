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

/**
 * Of every sound the first place, in signal order, where its own peak passes what a connector, bus or converter takes.
 * What comes after it is over because of it. Sums of several sounds are judged as sums.
 */
export function soundsOver(context: WorkedScene): readonly SoundOver[] {
  const { field } = context;
  const found = new Map<number, SoundOver>();
  for (const index of field.order.lanes) {
    const arrivals = arrivalsAt(field, index);
    const max = arrivals.length > 0 ? clipLevel(context, index) : undefined;
    if (max === undefined) continue;
    for (const [source, ways] of bySource(arrivals)) {
      const { nominal, crestDb } = field.sources[source] ?? {};
      if (nominal === undefined || crestDb === undefined || found.has(source)) continue;
      const peak = peakOnSineScale(nominal + togetherDb(ways, field.sampleRateHz).power, crestDb);
      if (peak - max > TOLERANCE.levelDb) found.set(source, { source, lane: index, peak, max });
    }
  }
  return [...found.values()];
}

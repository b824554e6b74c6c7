import { arrivalsAt, bySource, togetherDb } from '../levels/laneSum';
import { maxLevel } from '../levels/maxLevel';
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

/** Inside the host levels are floating point: a bus over full scale that comes down before its output is whole. */
function isFloating({ graph, devices }: WorkedScene, lane: number): boolean {
  const at = graph.lanes[lane];
  return at?.face === 'inside' && devices.get(at.device)?.type === 'dawHost';
}

/**
 * Of every sound the first place, in signal order, where its own peak passes what a connector, bus or converter takes.
 * What comes after it is over because of it. Sums of several sounds are judged as sums.
 */
export function soundsOver(context: WorkedScene): readonly SoundOver[] {
  const { graph, field } = context;
  const found = new Map<number, SoundOver>();
  for (const index of field.order.lanes) {
    const lane = graph.lanes[index];
    const arrivals = arrivalsAt(field, index);
    const max = lane && arrivals.length > 0 ? maxLevel(lane) : undefined;
    if (max === undefined || isFloating(context, index)) continue;
    for (const [source, ways] of bySource(arrivals)) {
      const { nominal, crestDb } = field.sources[source] ?? {};
      if (nominal === undefined || crestDb === undefined || found.has(source)) continue;
      const peak = peakOnSineScale(nominal + togetherDb(ways, field.sampleRateHz).power, crestDb);
      if (peak - max > TOLERANCE.levelDb) found.set(source, { source, lane: index, peak, max });
    }
  }
  return [...found.values()];
}

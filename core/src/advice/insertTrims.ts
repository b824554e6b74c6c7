import type { WorkedScene } from '../scene/workedScene';
import type { InsertRoundTrip } from '../timing/insertRoundTrips';
import { isAnalogue } from '../rig/medium';
import { maxLevel } from '../levels/maxLevel';
import { laneSum } from '../levels/laneSum';

/** Trims of a hardware slot that put its unit at a level, and what it stands at now. */
export interface InsertTrims {
  /** The input of the first unit on the trip. */
  readonly unit: number;
  /** What all sounds together make there, RMS. */
  readonly nowDbu: number;
  readonly sendTrimDb: number;
  readonly returnTrimDb: number;
  /** Peak over the unit's maximum after the change; negative is room. */
  readonly overDb?: number;
}

/**
 * Trims that bring a unit to its sweet level and take the same off again behind it, so that the track keeps
 * its level. Nothing where no level reaches it, or the trip does not come back.
 * @param sweetDbu level at the unit's input, RMS.
 * @param unit the input that is meant; left out, the first with electronics behind the line output.
 */
export function insertTrims(
  { graph, field }: WorkedScene,
  trip: InsertRoundTrip,
  sweetDbu: number,
  unit?: number,
): InsertTrims | undefined {
  // The first input with electronics behind it after the line output.
  const entry = trip.path.find((edge) => {
    const lane = graph.lanes[edge.to];
    return lane !== undefined && edge.passive && lane.direction === 'in' && isAnalogue(lane.medium);
  });
  const input = unit ?? entry?.to;
  if (input === undefined || !trip.comesBack) return undefined;
  const sum = laneSum(field, input);
  if (sum.nominal === undefined) return undefined;
  const change = Math.round((sweetDbu - sum.nominal) * 10) / 10;
  const lane = graph.lanes[input];
  const max = lane && maxLevel(lane);
  return {
    unit: input,
    nowDbu: sum.nominal,
    sendTrimDb: trip.settings.sendTrimDb + change,
    returnTrimDb: trip.settings.returnTrimDb - change,
    ...(sum.peak !== undefined && max !== undefined && { overDb: sum.peak + change - max }),
  };
}

import { laneSum } from '../../levels/laneSum';
import { maxLevel } from '../../levels/maxLevel';
import type { JobStand } from '../../mix/jobStand';
import type { StationId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';

/** How hard a unit of a chain is driven. */
export interface UnitLevel {
  readonly name: string;
  /** Of the side that is driven hardest. */
  readonly nominalDbu?: number;
  readonly roomDb?: number;
}

function levelAt(context: WorkedScene, id: StationId): UnitLevel {
  const { graph, field } = context;
  const station = graph.stations[graph.stationIndex.get(id) ?? -1];
  if (station === undefined) return { name: id };
  const { nominal, peak } = laneSum(field, station.in);
  const lane = graph.lanes[station.in];
  const max = lane && maxLevel(lane);
  return {
    name: station.name,
    ...(nominal !== undefined && { nominalDbu: nominal }),
    ...(peak !== undefined && max !== undefined && { roomDb: max - peak }),
  };
}

/** Every unit of a chain that is up, in order, at the side that drives it hardest. */
export const unitLevels = (context: WorkedScene, { job }: JobStand): readonly UnitLevel[] =>
  job.chain.flatMap((stations) => {
    const sides = stations.map((id) => levelAt(context, id));
    const hardest = sides.reduce<UnitLevel | undefined>(
      (most, side) =>
        most === undefined || (side.nominalDbu ?? -Infinity) > (most.nominalDbu ?? -Infinity) ? side : most,
      undefined,
    );
    return hardest === undefined ? [] : [hardest];
  });

import { outboardUnits } from '../../mix/outboardUnits';
import type { StationId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { Job } from '../../session/jobSchema';

/** Channels of one place in a chain: a whole unit by its own name, others each by theirs. */
function unitText(context: WorkedScene, stations: readonly StationId[]): string {
  const { graph } = context;
  const whole = outboardUnits(context).find(
    (unit) =>
      unit.stations.length === stations.length && unit.stations.every(({ id }, i) => id === stations[i]),
  );
  if (whole !== undefined) return whole.name;
  return stations
    .map((id) => graph.stations[graph.stationIndex.get(id) ?? -1]?.name ?? `${id} (not in the rig)`)
    .join(' + ');
}

/** "Valve equaliser A > Opto compressor", as it is typed. */
export const chainText = (context: WorkedScene, { chain }: Pick<Job, 'chain'>): string =>
  chain.map((stations) => unitText(context, stations)).join(' > ');

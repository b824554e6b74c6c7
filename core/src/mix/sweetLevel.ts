import type { WorkedScene } from '../scene/workedScene';
import type { Job } from '../session/jobSchema';
import { USUAL_MIX_SETTINGS } from '../session/jobSchema';
import { sidesOfChain } from './chainUnits';
import type { JobStand } from './jobStand';

/** The input of the first unit of a chain, on its first side. */
export function firstInput({ graph }: WorkedScene, { job, track }: JobStand): number | undefined {
  const [first] = sidesOfChain(graph, job, track.width)[0] ?? [];
  return first === undefined ? undefined : graph.stations[graph.stationIndex.get(first) ?? -1]?.in;
}

/** Where the first unit of a job is wanted, RMS: what the job says, else the mix, else what is usual at such an input. */
export function sweetOf(
  { graph, session }: WorkedScene,
  job: Pick<Job, 'sweetDbu'>,
  input: number | undefined,
): number {
  const isPedal = graph.lanes[input ?? -1]?.medium === 'instrument';
  if (isPedal) return job.sweetDbu ?? USUAL_MIX_SETTINGS.pedalDbu;
  return job.sweetDbu ?? session.mix?.sweetDbu ?? USUAL_MIX_SETTINGS.sweetDbu;
}

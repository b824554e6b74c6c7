import type { Obstacle } from '../routing/why/obstacle';
import type { ProposedCord } from '../scene/knownWays';
import type { ReportedFinding } from './runChecks';
import type { Realisation } from '../routing/realise';
import type { WorkedScene } from '../scene/workedScene';
import { isPlugged } from '../session/onFloor';

/**
 * planned: a way is free but not taken. routed: it runs, on cords not yet plugged. patched: every cord
 * it needs is plugged. proven: it was measured and is what was planned. broken: it does not run and no way is free.
 */
export const THREAD_STATUSES = ['planned', 'routed', 'patched', 'proven', 'broken'] as const;
export type ThreadStatus = (typeof THREAD_STATUSES)[number];

/** Whether there is no way, not even if others moved. */
const isStuck = (way: readonly ProposedCord[] | Obstacle | undefined): boolean =>
  way !== undefined && 'code' in way && !(way.code === 'held' && way.remedy?.code === 're-plan');

/** Status of a thread from how it runs and what the checks found on it. */
export function threadStatus(
  { thread, complete, path }: Realisation,
  { scene, floor }: Pick<WorkedScene, 'scene' | 'floor'>,
  findings: readonly ReportedFinding[],
): ThreadStatus {
  if (!complete) {
    const stuck = findings.some(
      ({ finding }) =>
        finding.rule === 'thread-incomplete' &&
        finding.at.some((ref) => ref.id === thread.id) &&
        isStuck(finding.figures.way),
    );
    return stuck ? 'broken' : 'planned';
  }
  const needed = new Set(path.flatMap((edge) => edge.cord ?? []));
  const cords = scene.cords.filter((cord) => needed.has(cord.id));
  return cords.every((cord) => isPlugged(floor, cord)) ? 'patched' : 'routed';
}

import { withWaysLater } from '../../scene/nearestWays';
import { workedScene } from '../../scene/workedScene';
import type { ScenePlace } from '../../session/scenePlace';
import { findScene } from '../../session/scenePlace';
import type { Studio } from '../../session/studioSchema';
import { runChecks } from '../../checks/runChecks';

/** Open findings of a scene, as the header counts them. */
export interface FindingCounts {
  readonly errors: number;
  readonly warnings: number;
}

/** What is found in a scene; nothing where it has gone. */
export function findingCounts(studio: Studio, place: ScenePlace): FindingCounts | undefined {
  const found = findScene(studio, place);
  if (found === undefined) return undefined;
  const { session, scene } = found;
  const context = withWaysLater(workedScene(studio.rig, session, scene, studio.floor));
  const open = runChecks(context).findings.filter(({ waiver }) => waiver === undefined);
  const count = (wanted: string): number => open.filter(({ severity }) => severity === wanted).length;
  return { errors: count('error'), warnings: count('warning') };
}

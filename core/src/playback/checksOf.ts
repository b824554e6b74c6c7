import type { WorkedScene } from '../scene/workedScene';
import type { CheckFault } from './checkFaults';
import { checkFaults } from './checkFaults';
import type { CheckUp } from './checkUp';
import { checkUp } from './checkUp';

/** A check that a scene is a part of, looked at once for all that ask. */
export interface CheckOfScene {
  readonly up: CheckUp;
  readonly faults: readonly CheckFault[];
}

const known = new WeakMap<WorkedScene, readonly CheckOfScene[]>();

/** The checks a scene is the live or the playback scene of. */
export function checksOf(context: WorkedScene): readonly CheckOfScene[] {
  const before = known.get(context);
  if (before !== undefined) return before;
  const { rig, session, scene } = context;
  const found = session.playbackChecks
    .filter(({ live, playback }) => live === scene.id || playback === scene.id)
    .flatMap((check) => {
      const up = checkUp(rig, session, check);
      return up === undefined ? [] : [{ up, faults: checkFaults(up) }];
    });
  known.set(context, found);
  return found;
}

/** Whether a scene is meant to play back: that of a check, or a trainee’s copy of it. */
export const isPlaybackScene = ({ session, scene }: Pick<WorkedScene, 'session' | 'scene'>): boolean =>
  session.playbackChecks.some(({ playback }) => playback === scene.id || playback === scene.trains);

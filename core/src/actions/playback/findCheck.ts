import type { CheckUp } from '../../playback/checkUp';
import { checkUp } from '../../playback/checkUp';
import type { PlaybackCheckId } from '../../rig/ids';
import type { WorkPlace } from '../workPlace';

/** A check of the session worked on, followed through both of its scenes. */
export function findCheck(
  { context: { rig, session } }: WorkPlace,
  id: PlaybackCheckId,
): CheckUp | undefined {
  const check = session.playbackChecks.find((each) => each.id === id);
  return check && checkUp(rig, session, check);
}

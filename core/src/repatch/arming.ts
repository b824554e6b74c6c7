import type { Floor } from '../session/floorSchema';
import type { TrackState } from '../session/daw/trackState';
import { trackStateIn } from '../session/daw/tracksIn';
import type { Scene, Session } from '../session/sessionSchema';
import type { Step } from './step';

/** Tracks of the host that are to be armed or monitored otherwise than they are; of another session nothing is known. */
export function arming(
  session: Session,
  floor: Floor,
  scene: Scene,
): Readonly<Record<'disarm' | 'arm', readonly Step[]>> {
  const now = (floor.scene?.session ?? session.id) === session.id ? floor : {};
  const changed = session.tracks.flatMap((track): TrackState[] => {
    const [is, wanted] = [trackStateIn(now, track), trackStateIn(scene, track)];
    const isSame = is.recordArm === wanted.recordArm && is.inputMonitor === wanted.inputMonitor;
    return isSame ? [] : [wanted];
  });
  const step = (kind: 'disarm' | 'arm', tracks: readonly TrackState[]): readonly Step[] =>
    tracks.length === 0 ? [] : [{ kind, tracks }];
  return {
    disarm: step(
      'disarm',
      changed.filter(({ recordArm }) => !recordArm),
    ),
    arm: step(
      'arm',
      changed.filter(({ recordArm }) => recordArm),
    ),
  };
}

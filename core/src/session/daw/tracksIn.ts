import type { Scene, Session } from '../sessionSchema';
import type { Track } from './trackSchema';
import type { TrackState } from './trackState';

/** How a track stands in a scene, or on the floor. */
export function trackStateIn({ trackStates }: Pick<Scene, 'trackStates'>, track: Track): TrackState {
  const { id, recordArm, inputMonitor } = track;
  return trackStates?.find((state) => state.id === id) ?? { id, recordArm, inputMonitor };
}

/** The tracks of a session, armed and monitored as a scene has them. */
export const tracksIn = ({ tracks }: Pick<Session, 'tracks'>, scene: Pick<Scene, 'trackStates'>): Track[] =>
  scene.trackStates === undefined
    ? tracks
    : tracks.map((track) => ({ ...track, ...trackStateIn(scene, track) }));

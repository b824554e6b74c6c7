import { floorScene } from '../repatch/floorScene';
import type { PlaybackCheck } from '../session/playbackSchema';
import type { Studio } from '../session/studioSchema';
import { checkScene } from './checkScene';
import { playbackState } from './playbackState';

/** A check that plays back on the floor, and the channels it plays into. */
export interface FloorPlayback {
  readonly check: PlaybackCheck;
  readonly playing: readonly string[];
}

/** What plays back into a console in the rooms, whatever is planned: told by how the floor is switched. */
export function floorPlayback({
  rig,
  floor,
  sessions,
}: Pick<Studio, 'rig' | 'floor' | 'sessions'>): readonly FloorPlayback[] {
  const session = sessions.find(({ id }) => id === floor.scene?.session);
  if (session === undefined || session.playbackChecks.length === 0) return [];
  const at = checkScene(rig, session, floorScene(floor));
  return session.playbackChecks.flatMap((check) => {
    const { state, playing } = playbackState(at, check);
    return state === 'playback' ? [{ check, playing }] : [];
  });
}

import { floorOf } from '../../repatch/floorScene';
import type { PlaybackCheckId } from '../../rig/ids';
import type { Scene } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import type { ScenePlace } from '../../session/scenePlace';
import { findScene } from '../../session/scenePlace';
import type { WorkList } from '../bay/workList';
import { workList } from '../bay/workList';

/** The flip of a check and its reverse: what is done at the console, whatever is on the floor just now. */
export interface FlipView {
  readonly toPlayback: WorkList;
  readonly toLive: WorkList;
}

/** The work from one state of a check to the other; undefined where one of its scenes is gone. */
export function flipView(studio: Studio, place: ScenePlace, id: PlaybackCheckId): FlipView | undefined {
  const session = findScene(studio, place)?.session;
  const check = session?.playbackChecks.find((each) => each.id === id);
  const [live, playback] = [check?.live, check?.playback].map((scene) =>
    session?.scenes.find((each) => each.id === scene),
  );
  if (session === undefined || live === undefined || playback === undefined) return undefined;
  const way = (from: Scene, to: Scene): WorkList =>
    workList({ ...studio, floor: floorOf(session, from) }, { session, scene: to });
  return { toPlayback: way(live, playback), toLive: way(playback, live) };
}

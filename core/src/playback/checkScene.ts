import { recompile } from '../graph/recompile';
import { compile } from '../graph/compile';
import type { SignalGraph } from '../graph/signalGraph';
import type { Rig } from '../rig/rigSchema';
import type { WorkedScene } from '../scene/workedScene';
import type { Scene, Session } from '../session/sessionSchema';

/** A scene with its graph: all that a playback check looks at. */
export type CheckScene = Pick<WorkedScene, 'rig' | 'session' | 'scene' | 'graph'>;

/** Graphs of scenes beside the one that is worked on, by rig and scene: they seldom change. */
const known = new WeakMap<Rig, Map<string, SignalGraph>>();

/** A scene of a session as a check looks at it. What has not changed since it was last asked for is not worked out anew. */
export function checkScene(rig: Rig, session: Session, scene: Scene): CheckScene {
  const ofRig = known.get(rig) ?? new Map<string, SignalGraph>();
  known.set(rig, ofRig);
  const key = `${session.id} ${scene.id}`;
  const before = ofRig.get(key);
  const graph =
    before === undefined ? compile(rig, session, scene) : recompile(before, rig, session, scene).graph;
  ofRig.set(key, graph);
  return { rig, session, scene, graph };
}

import type { Edit } from '../edits/make';
import type { ThreadId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import { compileNear } from '../graph/recompile';
import { cordsWithout } from '../routing/cordsWithout';
import { realiseAll } from '../routing/realiseAll';
import { release } from '../routing/release';
import type { Scene, Session } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';
import { patchEdits } from './patchEdits';

/** Pulls the cords of a thread in one scene, lets go of its crosspoints and turns its preamp back. */
export function releaseEdits(rig: Rig, session: Session, scene: Scene, id: ThreadId): readonly Edit[] {
  const thread = session.threads.find((each) => each.id === id);
  // Cords it still has in a scene it is no longer active in come out as well.
  if (thread?.scenes.includes(scene.id) !== true) {
    const runs = realiseAll(compileNear(rig, session, scene), threadsIn(session, scene));
    const cords = cordsWithout(scene.cords, id, runs);
    return patchEdits({ session: session.id, scene: scene.id }, scene, cords, {});
  }
  const { cords, settings } = release(rig, session, scene, id);
  return patchEdits({ session: session.id, scene: scene.id }, scene, cords, settings);
}

import type { DeviceId } from '../rig/ids';
import { byNumber } from '../session/byNumber';
import type { Cue, CueHeadphones } from '../session/cueSchema';
import type { Performer } from '../session/performerSchema';
import type { Scene, Session } from '../session/sessionSchema';

/** The cues that are used in a scene, by their number. */
export const cuesIn = (session: Session, scene: Pick<Scene, 'id'>): readonly Cue[] =>
  session.cues.filter(({ scenes }) => scenes.includes(scene.id)).sort(byNumber);

/** Who wears a pair of headphones; nobody where they lie about. */
export const wearerOf = ({ performers }: Session, id: DeviceId): Performer | undefined =>
  performers.find(({ headphones }) => headphones === id);

/** Whether a pair of a cue is on nobody's head. */
export const isLying = (session: Session, { id, lying }: CueHeadphones): boolean =>
  lying === true || wearerOf(session, id) === undefined;

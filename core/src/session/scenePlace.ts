import type { SceneId, SessionId } from '../rig/ids';
import { scenesInOrder } from './scenesInOrder';
import type { Scene, Session } from './sessionSchema';
import type { Studio } from './studioSchema';

/** The scene a person is working in. */
export interface ScenePlace {
  readonly session: SessionId;
  readonly scene: SceneId;
}

export interface FoundScene {
  readonly session: Session;
  readonly scene: Scene;
}

/** Session and scene of a place, or undefined where it has gone. */
export function findScene(studio: Studio, place: ScenePlace): FoundScene | undefined {
  const session = studio.sessions.find((candidate) => candidate.id === place.session);
  const scene = session?.scenes.find((candidate) => candidate.id === place.scene);
  return session === undefined || scene === undefined ? undefined : { session, scene };
}

/** Where a session is opened: at the scene that stands first; at one that is put away only where all are. */
export function firstScene(session: Session): ScenePlace | undefined {
  const [scene] = scenesInOrder(session);
  return scene && { session: session.id, scene: scene.id };
}

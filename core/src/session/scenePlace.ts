import type { SceneId, SessionId } from '../rig/ids';
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

/** Where a session is opened: at its first scene that is not put away. */
export function firstScene({ id, scenes }: Session): ScenePlace | undefined {
  const scene = scenes.find(({ archived }) => archived !== true) ?? scenes[0];
  return scene && { session: id, scene: scene.id };
}

/** Where a studio is opened: at its first session. */
export const firstPlace = ({ sessions: [session] }: Studio): ScenePlace | undefined =>
  session && firstScene(session);

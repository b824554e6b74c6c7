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

/** As much of a session as says where it is opened. */
interface Openable<S, C> {
  readonly id: S;
  readonly scenes: readonly { readonly id: C; readonly archived?: true | undefined }[];
}

/** Where a session is opened: at its first scene that is not put away. */
export function firstScene<S extends string, C extends string>({ id, scenes }: Openable<S, C>) {
  const scene = scenes.find(({ archived }) => archived !== true) ?? scenes[0];
  return scene && { session: id, scene: scene.id };
}

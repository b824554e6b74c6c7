import type { ScenePlace } from '../../session/scenePlace';
import { firstScene } from '../../session/scenePlace';
import type { Session } from '../../session/sessionSchema';
import { sessionsInOrder, templatesOf } from '../../session/sessionsInOrder';
import type { Studio } from '../../session/studioSchema';

/** A session as a line of the list. */
export interface SessionLine {
  readonly session: Session;
  /** The scene of it that was last put on the floor; nothing where another session is there. */
  readonly onFloor?: string;
  /** Where it is looked at: what is on the floor of it, else where it opens. */
  readonly place: ScenePlace;
  readonly scene: string;
}

function lineOf({ floor }: Pick<Studio, 'floor'>, session: Session): readonly SessionLine[] {
  const onFloor =
    floor.scene?.session === session.id
      ? session.scenes.find(({ id }) => id === floor.scene?.scene)
      : undefined;
  const opens = firstScene(session);
  const scene = onFloor ?? session.scenes.find(({ id }) => id === opens?.scene);
  if (scene === undefined) return [];
  return [
    {
      session,
      ...(onFloor !== undefined && { onFloor: onFloor.name }),
      place: { session: session.id, scene: scene.id },
      scene: scene.name,
    },
  ];
}

/** The sessions in order, those that are put away last. */
export const sessionLines = (studio: Studio): readonly SessionLine[] =>
  sessionsInOrder(studio).flatMap((session) => lineOf(studio, session));

export const templateLines = (studio: Studio): readonly SessionLine[] =>
  templatesOf(studio).flatMap((session) => lineOf(studio, session));

import type { Edit } from '../../edits/make';
import { editAdd, editFloorScene, editRemove } from '../../edits/make';
import type { SessionId } from '../../rig/ids';
import { idFromName } from '../../rig/ids';
import { emptySession } from '../../session/emptySession';
import { firstScene } from '../../session/scenePlace';
import type { ScenePlace } from '../../session/scenePlace';
import type { Session } from '../../session/sessionSchema';
import { sessionsInOrder } from '../../session/sessionsInOrder';
import type { Studio } from '../../session/studioSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import type { SessionKind } from './sessionName';
import { readSessionName } from './sessionName';
import type { SessionPart } from './sessionParts';
import { withoutMaterial, withParts } from './sessionParts';

/** A session that was made, and where it opens. */
export interface MadeSession {
  readonly place: ScenePlace;
  readonly label: string;
  readonly edits: readonly Edit[];
}

/** Puts a session into the studio under a name and an id of its own. */
export function sessionAdded(
  studio: Studio,
  session: Session,
  { name: typed, kind, label }: { readonly name: string; readonly kind: SessionKind; readonly label: string },
): CellReading<MadeSession> {
  const name = readSessionName(studio, kind, typed);
  if (!name.ok) return name;
  const taken = new Set<string>(studio.sessions.map(({ id }) => id));
  const id = idFromName(name.value, taken, kind) as SessionId;
  const item = { ...session, id, name: name.value };
  const place = firstScene(item);
  if (place === undefined) return refuse(`“${session.name}” has no scene. Give it one first.`);
  return value({ place, label: `${label} ${name.value}`, edits: [editAdd('session', {}, item)] });
}

/**
 * A new session.
 * @param from a template, or an earlier session whose material is left behind; without one it is empty.
 * @param like whose rate, line-up and host an empty one has.
 */
export function newSession(
  studio: Studio,
  name: string,
  { from, like }: { readonly from?: Session | undefined; readonly like?: Session | undefined },
): CellReading<MadeSession> {
  const begun = from === undefined ? emptySession('new' as SessionId, name, like) : withoutMaterial(from);
  return sessionAdded(studio, begun, { name, kind: 'session', label: 'New session' });
}

/** The same once more under another name, with everything but its day. */
export function copiedSession(studio: Studio, session: Session, name: string): CellReading<MadeSession> {
  const { date: _date, goesLive: _live, archived: _away, ...copy } = session;
  const kind = session.template === true ? 'template' : 'session';
  return sessionAdded(studio, copy, { name, kind, label: `Copy ${session.name} as` });
}

/** A template made of a session. @param keeps what of it the next ones start with. */
export const templateOf = (
  studio: Studio,
  session: Session,
  name: string,
  keeps: ReadonlySet<SessionPart>,
): CellReading<MadeSession> =>
  sessionAdded(
    studio,
    { ...withParts(withoutMaterial(session), keeps), template: true },
    { name, kind: 'template', label: 'Template' },
  );

/** What is plugged just now of a session, where it is the one on the floor. */
export interface OnFloor {
  readonly scene: string;
  readonly cords: number;
}

/** The scene of a session that is on the floor, and how many cords are in jacks. */
export function onFloorOf({ floor }: Studio, session: Session): OnFloor | undefined {
  if (floor.scene?.session !== session.id) return undefined;
  const id = floor.scene.scene;
  const scene = session.scenes.find((each) => each.id === id);
  return scene && { scene: scene.name, cords: floor.cords.length };
}

/** What a person should know before a session is removed; nothing where it is not on the floor. */
export function removalWarning(studio: Studio, session: Session): string | undefined {
  const plugged = onFloorOf(studio, session);
  if (plugged === undefined) return undefined;
  const stay =
    plugged.cords === 1
      ? 'One cord stays in its jacks'
      : `${String(plugged.cords)} cords stay in their jacks`;
  return `${plugged.scene} of “${session.name}” is on the floor: ${stay}, and nothing will say any more what for. Put another scene on the floor first, or take them out.`;
}

/** Takes a session out. The floor keeps its cords, and forgets the scene they were of. */
export function sessionRemoved(studio: Studio, session: Session): CellReading<readonly Edit[]> {
  const others = sessionsInOrder(studio).filter(({ id }) => id !== session.id);
  if (session.template !== true && others.length === 0)
    return refuse(
      `“${session.name}” is the only session of ${studio.name}, which needs one. Make the next one first, then remove it.`,
    );
  const { scene } = studio.floor;
  return value([
    ...(scene?.session === session.id ? [editFloorScene(null, scene)] : []),
    editRemove('session', {}, session.id, session),
  ]);
}

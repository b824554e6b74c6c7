import type { Session } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';

/** A session as it is stored: its document as text. */
export interface SessionDocument {
  readonly id: string;
  readonly name: string;
  readonly document: string;
}

/** A studio as it is stored: its documents as text, unread. */
export interface Documents {
  readonly id: string;
  readonly name: string;
  readonly rig: string;
  readonly floor: string;
  readonly sessions: readonly SessionDocument[];
}

/** Where a studio stands: which one of that id it is, and how often it was changed. */
export interface Standing {
  readonly incarnation: string;
  readonly revision: number;
}

/** The documents of a studio, and where it stands. */
export interface StoredStudio extends Standing {
  readonly documents: Documents;
}

/** A studio as it is read, and where it stands. */
export interface StudioAt extends Standing {
  readonly studio: Studio;
}

/** What a change writes: only the documents that it changed. */
export interface StudioWrite {
  readonly name: string;
  readonly rig?: string;
  readonly floor?: string;
  readonly sessions: readonly SessionDocument[];
  readonly gone: readonly string[];
}

/** Text beyond this is not read where others wait for an answer, in characters. */
export const LARGE_TEXT = 256 * 1024;

const sessionDocument = (session: Session): SessionDocument => ({
  id: session.id,
  name: session.name,
  document: JSON.stringify(session),
});

export const documentsOf = ({ id, name, rig, floor, sessions }: Studio): Documents => ({
  id,
  name,
  rig: JSON.stringify(rig),
  floor: JSON.stringify(floor),
  sessions: sessions.map(sessionDocument),
});

/** Reads documents. They are parsed by the schema, so that one of an older version gets what has been added since. */
export const studioOf = ({ id, name, rig, floor, sessions }: Documents): Studio =>
  studioSchema.parse({
    id,
    name,
    rig: JSON.parse(rig) as unknown,
    floor: JSON.parse(floor) as unknown,
    sessions: sessions.map(({ document }) => JSON.parse(document) as unknown),
  });

export const sizeOf = ({ rig, floor, sessions }: Documents): number =>
  sessions.reduce((sum, { document }) => sum + document.length, rig.length + floor.length);

/**
 * A studio and where it stands as JSON (`studioAtSchema`), put together from its documents unread: what is left
 * out by an older version is filled in where it is parsed.
 */
export function studioAtJson({ documents, revision, incarnation }: StoredStudio): string {
  const { id, name, rig, floor, sessions } = documents;
  const parts = sessions.map(({ document }) => document).join(',');
  const head = JSON.stringify({ id, name }).slice(0, -1);
  return `{"revision":${String(revision)},"incarnation":${JSON.stringify(incarnation)},"studio":${head},"rig":${rig},"floor":${floor},"sessions":[${parts}]}}`;
}

/** What has to be written so that `before` becomes `after`. Parts that did not change are the same objects. */
export const writeBetween = (before: Studio, after: Studio): StudioWrite => ({
  name: after.name,
  ...(after.rig !== before.rig && { rig: JSON.stringify(after.rig) }),
  ...(after.floor !== before.floor && { floor: JSON.stringify(after.floor) }),
  sessions: after.sessions.filter((session) => !before.sessions.includes(session)).map(sessionDocument),
  gone: before.sessions
    .filter(({ id }) => !after.sessions.some((session) => session.id === id))
    .map(({ id }) => id),
});

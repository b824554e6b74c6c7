import type { Floor } from '../session/floorSchema';
import type { ListHolder } from '../session/lists';
import { listsIn } from '../session/lists';
import type { Scene, Session } from '../session/sessionSchema';
import type { Studio } from '../session/studioSchema';

const byId = <T extends { readonly id: string }>(items: readonly T[]): T[] =>
  [...items].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));

const byKey = <T extends object>(record: T): T =>
  Object.fromEntries(Object.entries(record).sort(([a], [b]) => (a < b ? -1 : 1))) as T;

/** The lists of a holder, each by its ids; its other fields as they are. */
const listed = <T extends object>(holder: ListHolder, held: T): T => ({
  ...held,
  ...Object.fromEntries(
    listsIn(holder).flatMap(({ key, isSeldom }) => {
      const items = (held as Record<string, { id: string }[]>)[key] ?? [];
      return isSeldom === true && items.length === 0 ? [] : [[key, byId(items)]];
    }),
  ),
});

const withSettings = <T extends Scene | Floor>(panel: T): T => ({
  ...panel,
  settings: byKey(panel.settings),
});

function canonicalSession(session: Session): Session {
  const inOrder = listed('session', session);
  return { ...inOrder, scenes: inOrder.scenes.map((scene) => withSettings(listed('scene', scene))) };
}

/**
 * The one order in which a studio is stored: lists by id, settings by key, fields as in the schema.
 * Two studios that mean the same are then the same text.
 */
export const canonicalStudio = (studio: Studio): Studio => ({
  ...studio,
  rig: listed('rig', studio.rig),
  floor: withSettings(listed('floor', studio.floor)),
  sessions: byId(studio.sessions).map(canonicalSession),
});

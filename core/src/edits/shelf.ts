import type * as z from 'zod';
import { sceneIdSchema, sessionIdSchema } from '../rig/ids';
import type { Floor } from '../session/floorSchema';
import type { ListHolder, ListName, ListRow } from '../session/lists';
import { LISTS } from '../session/lists';
import type { Scene, Session } from '../session/sessionSchema';
import type { Studio } from '../session/studioSchema';

interface Item {
  readonly id: string;
}

/** Where a list stands in the studio: nothing for the rig, a session, or a scene of a session. */
export interface Place {
  readonly session?: string;
  readonly scene?: string;
}

/** A list of things with ids somewhere in a studio: how to find it, replace it, and check what goes on it. */
export interface Shelf {
  readonly name: string;
  readonly place: z.ZodRawShape;
  readonly item: z.ZodType<Item>;
  get(studio: Studio, place: Place): readonly Item[] | undefined;
  put(studio: Studio, place: Place, items: readonly Item[]): Studio;
}

const replace = <T extends Item>(items: readonly T[], id: string | undefined, change: (item: T) => T): T[] =>
  items.map((item) => (item.id === id ? change(item) : item));

/** Changes one session. */
export const inSession = (
  studio: Studio,
  id: string | undefined,
  change: (session: Session) => Session,
): Studio => ({
  ...studio,
  sessions: replace(studio.sessions, id, change),
});

/** Changes one scene of one session. */
export const inScene = (studio: Studio, place: Place, change: (scene: Scene) => Scene): Studio =>
  inSession(studio, place.session, (session) => ({
    ...session,
    scenes: replace(session.scenes, place.scene, change),
  }));

function sessionOf(studio: Studio, { session }: Place): Session | undefined {
  return studio.sessions.find((candidate) => candidate.id === session);
}

/** The scene a place names, if it is there. */
export const sceneOf = (studio: Studio, place: Place): Scene | undefined =>
  sessionOf(studio, place)?.scenes.find((candidate) => candidate.id === place.scene);

/** Changes what is on the floor. */
export const onFloor = (studio: Studio, change: Partial<Floor>): Studio => ({
  ...studio,
  floor: { ...studio.floor, ...change },
});

/** One kind of holder: how an edit names one, and how it is found and changed. */
interface Holder {
  readonly place: z.ZodRawShape;
  get(studio: Studio, place: Place): object | undefined;
  put(studio: Studio, place: Place, fields: object): Studio;
}

const HOLDERS: Readonly<Record<ListHolder, Holder>> = {
  rig: {
    place: {},
    get: ({ rig }) => rig,
    put: (studio, _place, fields) => ({ ...studio, rig: { ...studio.rig, ...fields } }),
  },
  floor: {
    place: {},
    get: ({ floor }) => floor,
    put: (studio, _place, fields) => onFloor(studio, fields),
  },
  studio: {
    place: {},
    get: (studio) => studio,
    put: (studio, _place, fields) => ({ ...studio, ...fields }),
  },
  session: {
    place: { session: sessionIdSchema },
    get: sessionOf,
    put: (studio, place, fields) =>
      inSession(studio, place.session, (session) => ({ ...session, ...fields })),
  },
  scene: {
    place: { session: sessionIdSchema, scene: sceneIdSchema },
    get: sceneOf,
    put: (studio, place, fields) => inScene(studio, place, (scene) => ({ ...scene, ...fields })),
  },
};

/** The shelf of a list of the table. */
export function shelfOf(name: ListName): Shelf {
  const row: ListRow = LISTS[name];
  const holder = HOLDERS[row.in];
  return {
    name,
    place: holder.place,
    item: row.item,
    get(studio, place) {
      const held = holder.get(studio, place) as Readonly<Record<string, readonly Item[]>> | undefined;
      return held?.[row.key] ?? (held !== undefined && row.isSeldom === true ? [] : undefined);
    },
    put: (studio, place, items) =>
      holder.put(studio, place, {
        [row.key]: row.isSeldom === true && items.length === 0 ? undefined : items,
      }),
  };
}

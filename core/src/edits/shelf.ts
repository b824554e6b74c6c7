import type * as z from 'zod';
import { sceneIdSchema, sessionIdSchema } from '../rig/ids';
import {
  adaptorSchema,
  deviceSchema,
  faultSchema,
  hardwireSchema,
  roomSchema,
  stockSchema,
} from '../rig/rigSchema';
import type { Rig } from '../rig/rigSchema';
import { busSchema, trackSchema } from '../session/daw/trackSchema';
import { cordSchema, sceneSchema, sessionSchema, threadSchema, waiverSchema } from '../session/sessionSchema';
import type { Floor } from '../session/floorSchema';
import { performerSchema } from '../session/performerSchema';
import { readingSchema } from '../session/readingSchema';
import { floorCordSchema, precautionSchema } from '../session/floorSchema';
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
export interface Shelf<T extends Item = Item> {
  readonly name: string;
  readonly place: z.ZodRawShape;
  readonly item: z.ZodType<T>;
  get(studio: Studio, place: Place): readonly T[] | undefined;
  put(studio: Studio, place: Place, items: readonly T[]): Studio;
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

const sessionOf = (studio: Studio, { session }: Place): Session | undefined =>
  studio.sessions.find((candidate) => candidate.id === session);

/** The scene a place names, if it is there. */
export const sceneOf = (studio: Studio, place: Place): Scene | undefined =>
  sessionOf(studio, place)?.scenes.find((candidate) => candidate.id === place.scene);

function rigShelf<K extends keyof Rig>(
  name: string,
  key: K,
  item: z.ZodType<Rig[K][number]>,
): Shelf<Rig[K][number]> {
  return {
    name,
    place: {},
    item,
    get: (studio) => studio.rig[key],
    put: (studio, _place, items) => ({ ...studio, rig: { ...studio.rig, [key]: items } }),
  };
}

function sessionShelf<
  K extends 'threads' | 'scenes' | 'waivers' | 'tracks' | 'buses' | 'performers' | 'readings',
>(name: string, key: K, item: z.ZodType<Session[K][number]>): Shelf<Session[K][number]> {
  return {
    name,
    place: { session: sessionIdSchema },
    item,
    get: (studio, place) => sessionOf(studio, place)?.[key],
    put: (studio, place, items) =>
      inSession(studio, place.session, (session) => ({ ...session, [key]: items })),
  };
}

/** Changes what is on the floor. */
export const onFloor = (studio: Studio, change: Partial<Floor>): Studio => ({
  ...studio,
  floor: { ...studio.floor, ...change },
});

function floorShelf<K extends 'cords' | 'precautions'>(
  name: string,
  key: K,
  item: z.ZodType<Floor[K][number]>,
): Shelf<Floor[K][number]> {
  return {
    name,
    place: {},
    item,
    get: (studio) => studio.floor[key],
    put: (studio, _place, items) => onFloor(studio, { [key]: items }),
  };
}

const sessions: Shelf<Session> = {
  name: 'session',
  place: {},
  item: sessionSchema,
  get: (studio) => studio.sessions,
  put: (studio, _place, items) => ({ ...studio, sessions: [...items] }),
};

const cords: Shelf<Scene['cords'][number]> = {
  name: 'cord',
  place: { session: sessionIdSchema, scene: sceneIdSchema },
  item: cordSchema,
  get: (studio, place) => sceneOf(studio, place)?.cords,
  put: (studio, place, items) => inScene(studio, place, (scene) => ({ ...scene, cords: [...items] })),
};

/** Every list that edits can change. */
export const SHELVES = {
  room: rigShelf('room', 'rooms', roomSchema),
  device: rigShelf('device', 'devices', deviceSchema),
  hardwire: rigShelf('hardwire', 'hardwires', hardwireSchema),
  stock: rigShelf('stock', 'cords', stockSchema),
  adaptor: rigShelf('adaptor', 'adaptors', adaptorSchema),
  fault: rigShelf('fault', 'faults', faultSchema),
  plug: floorShelf('plug', 'cords', floorCordSchema),
  precaution: floorShelf('precaution', 'precautions', precautionSchema),
  session: sessions,
  thread: sessionShelf('thread', 'threads', threadSchema),
  scene: sessionShelf('scene', 'scenes', sceneSchema),
  waiver: sessionShelf('waiver', 'waivers', waiverSchema),
  cord: cords,
  track: sessionShelf('track', 'tracks', trackSchema),
  bus: sessionShelf('bus', 'buses', busSchema),
  performer: sessionShelf('performer', 'performers', performerSchema),
  reading: sessionShelf('reading', 'readings', readingSchema),
} as const;

import type * as z from 'zod';
import { MOST_ITEMS } from '../rig/listBounds';
import {
  adaptorSchema,
  deviceSchema,
  faultSchema,
  hardwireSchema,
  roomSchema,
  stockSchema,
} from '../rig/rigSchema';
import { busSchema, trackSchema } from './daw/trackSchema';
import { trackStateSchema } from './daw/trackState';
import { consoleViewSchema } from './consoleViewSchema';
import { cueSchema } from './cueSchema';
import { floorCordSchema, precautionSchema } from './floorSchema';
import { jobSchema } from './jobSchema';
import { performerSchema } from './performerSchema';
import { playbackCheckSchema } from './playbackSchema';
import { readingSchema } from './readingSchema';
import { sumSchema } from './sumSchema';
import { cordSchema, sceneSchema, sessionSchema, threadSchema, waiverSchema } from './sessionSchema';

/** What a list is a part of. */
export type ListHolder = 'rig' | 'floor' | 'studio' | 'session' | 'scene';

/** A list of things with ids somewhere in a studio. */
export interface ListRow {
  readonly in: ListHolder;
  /** Its field in what holds it. */
  readonly key: string;
  readonly item: z.ZodType<{ readonly id: string }>;
  /** The most items it holds. */
  readonly most: number;
  /** It is left out as long as it is empty. */
  readonly isSeldom?: true;
}

/**
 * Every list of a studio that edits change, by the name of one of its things; names and fields are those of
 * stored edits and files and never change. Edits, integrity, bounds and the order in a file are read from
 * here; a list that is added to a schema gets its row here and nothing else.
 */
export const LISTS = {
  room: { in: 'rig', key: 'rooms', item: roomSchema, most: MOST_ITEMS.rooms },
  device: { in: 'rig', key: 'devices', item: deviceSchema, most: MOST_ITEMS.devices },
  hardwire: { in: 'rig', key: 'hardwires', item: hardwireSchema, most: MOST_ITEMS.hardwires },
  stock: { in: 'rig', key: 'cords', item: stockSchema, most: MOST_ITEMS.cordStocks },
  adaptor: { in: 'rig', key: 'adaptors', item: adaptorSchema, most: MOST_ITEMS.adaptors },
  fault: { in: 'rig', key: 'faults', item: faultSchema, most: MOST_ITEMS.faults },
  plug: { in: 'floor', key: 'cords', item: floorCordSchema, most: MOST_ITEMS.floorCords },
  precaution: { in: 'floor', key: 'precautions', item: precautionSchema, most: MOST_ITEMS.precautions },
  session: { in: 'studio', key: 'sessions', item: sessionSchema, most: MOST_ITEMS.sessions },
  thread: { in: 'session', key: 'threads', item: threadSchema, most: MOST_ITEMS.threads },
  scene: { in: 'session', key: 'scenes', item: sceneSchema, most: MOST_ITEMS.scenes },
  waiver: { in: 'session', key: 'waivers', item: waiverSchema, most: MOST_ITEMS.waivers },
  cord: { in: 'scene', key: 'cords', item: cordSchema, most: MOST_ITEMS.sceneCords },
  track: { in: 'session', key: 'tracks', item: trackSchema, most: MOST_ITEMS.tracks },
  bus: { in: 'session', key: 'buses', item: busSchema, most: MOST_ITEMS.buses },
  performer: { in: 'session', key: 'performers', item: performerSchema, most: MOST_ITEMS.performers },
  cue: { in: 'session', key: 'cues', item: cueSchema, most: MOST_ITEMS.cues },
  playbackCheck: {
    ...{ in: 'session', key: 'playbackChecks' },
    ...{ item: playbackCheckSchema, most: MOST_ITEMS.playbackChecks },
  },
  job: { in: 'session', key: 'jobs', item: jobSchema, most: MOST_ITEMS.jobs },
  sum: { in: 'session', key: 'sums', item: sumSchema, most: MOST_ITEMS.sums },
  trackState: {
    ...{ in: 'scene', key: 'trackStates', item: trackStateSchema, most: MOST_ITEMS.tracks },
    isSeldom: true,
  },
  floorTrack: {
    ...{ in: 'floor', key: 'trackStates', item: trackStateSchema, most: MOST_ITEMS.tracks },
    isSeldom: true,
  },
  reading: { in: 'session', key: 'readings', item: readingSchema, most: MOST_ITEMS.readings },
  consoleView: {
    ...{ in: 'session', key: 'consoleViews' },
    ...{ item: consoleViewSchema, most: MOST_ITEMS.consoleViews },
  },
} as const satisfies Readonly<Record<string, ListRow>>;

export type ListName = keyof typeof LISTS;
/** A thing of a list. */
export type ItemOf<N extends ListName> = z.infer<(typeof LISTS)[N]['item']>;

export const LIST_NAMES = Object.keys(LISTS) as readonly ListName[];

/** The lists of one kind of holder, in the order of the table. */
export const listsIn = (holder: ListHolder): readonly ListRow[] =>
  LIST_NAMES.map((name): ListRow => LISTS[name]).filter((row) => row.in === holder);

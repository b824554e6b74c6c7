import * as z from 'zod';
import { changeSchema } from '@ft/core/edits/change';
import { ENTITY_KINDS } from '@ft/core/session/entityRef';
import { studioSchema } from '@ft/core/session/studioSchema';

/** Who is at a window: kept by the browser, so that undo survives a reload. */
export const authorSchema = z
  .string()
  .regex(/^[a-zA-Z0-9-]{1,64}$/, 'an author is 1 to 64 letters, digits and hyphens');

/** One studio on the first screen. */
export const studioSummarySchema = z.object({
  id: z.string(),
  name: z.string(),
  revision: z.number().int(),
  changedAt: z.string(),
  sessions: z.array(z.object({ id: z.string(), name: z.string() })),
});
export type StudioSummary = z.infer<typeof studioSummarySchema>;
export const studioListSchema = z.object({ studios: z.array(studioSummarySchema) });

/** `POST /api/studios`: begin a rig. */
export const beginStudioSchema = z.strictObject({
  name: z.string().trim().min(1, 'a name is needed').max(80),
});

/** `GET /api/studios/:id`. */
export const studioAtSchema = z.object({
  revision: z.number().int(),
  /** Which studio of this id it is: another one after it was removed and brought in again. */
  incarnation: z.string(),
  studio: studioSchema,
});
export type StudioAt = z.infer<typeof studioAtSchema>;

/** The studio a window means; left out, whichever has the id now. */
const incarnation = z.string().max(96).optional();

/** `POST /api/studios/:id/changes`. */
export const postChangeSchema = z.strictObject({ author: authorSchema, incarnation, change: changeSchema });

/** `POST /api/studios/:id/undo` and `/redo`: the author's own last change, or the one named. */
export const postUndoSchema = z.strictObject({
  author: authorSchema,
  incarnation,
  /** Id of the change that undoing makes, so that asking twice undoes once. */
  change: z.string().regex(/^[a-zA-Z0-9-]{8,64}$/),
  revision: z.number().int().positive().optional(),
});

/** What the header needs to know: what undo and redo would take back. */
export const undoStateSchema = z.object({
  undo: z.object({ revision: z.number().int(), label: z.string() }).optional(),
  redo: z.object({ revision: z.number().int(), label: z.string() }).optional(),
});
export type UndoState = z.infer<typeof undoStateSchema>;

/** A history line as it goes over the wire. */
export const entrySchema = z.object({
  revision: z.number().int(),
  change: z.string(),
  label: z.string(),
  author: z.string(),
  /** The paired tablet it came from, by id; left out for the computer the program runs on. */
  tablet: z.string().optional(),
  at: z.string(),
  edits: z.array(z.looseObject({ type: z.string() })),
  undoes: z.number().int().optional(),
  redoes: z.number().int().optional(),
  /** What undo and redo would take next, for the windows of whoever made it. */
  undo: undoStateSchema.optional(),
});
export type EntryMessage = z.infer<typeof entrySchema>;

/** A line of the history page: without the edits, and whose it is. */
export const historyLineSchema = entrySchema.omit({ edits: true, author: true, undo: true }).extend({
  editCount: z.number().int(),
  /** Made by whoever asks. */
  mine: z.boolean(),
  /** The name of the paired tablet it came from. */
  tablet: z.string().optional(),
});
export type HistoryLine = z.infer<typeof historyLineSchema>;

/** Lines on one page of the history. */
export const HISTORY_PAGE = 200;

/** `GET /api/studios/:id/history?author=&before=`: newest first; `more` where older ones follow. */
export const historySchema = z.object({ entries: z.array(historyLineSchema), more: z.boolean() });
export type HistoryPage = z.infer<typeof historySchema>;

/** How many windows look at a studio. */
export const presenceSchema = z.object({ windows: z.number().int() });

/** Which window of a studio something came from: made when the page is loaded. */
const windowSchema = z.string().regex(/^[a-zA-Z0-9-]{8,64}$/);

/**
 * `PUT /api/studios/:id/pointing`: what somebody selects in a window that shares its selection, or that it let go.
 * It is told to all windows of the studio and kept only as long as one is open.
 */
export const pointingSchema = z.strictObject({
  window: windowSchema,
  ref: z.strictObject({ kind: z.enum(ENTITY_KINDS), id: z.string().min(1).max(200) }).nullable(),
});
export type Pointing = z.infer<typeof pointingSchema>;

/** A studio that a window looks at is gone, or another one has its id now. */
export const goneSchema = z.object({ because: z.enum(['removed', 'replaced', 'behind']) });
export type Gone = z.infer<typeof goneSchema>;

/** `POST /api/studios` and others that make one. */
export const madeSchema = z.object({ id: z.string() });

/** Every refusal: a stable code, one sentence, and where there are several, all of them. */
export const errorSchema = z.object({
  code: z.string(),
  message: z.string(),
  problems: z.array(z.string()).optional(),
});
export type ApiError = z.infer<typeof errorSchema>;

/**
 * Refusals that say nothing about a change itself: who asks is not let in just now, the studio is not this
 * one, the program is busy. A change that meets one is kept by whoever made it.
 */
export const KEEPING_CODES: ReadonlySet<string> = new Set([
  'not-paired',
  'not-found',
  'not-local',
  'no-token',
  'replaced',
  'busy',
  'too-fast',
]);

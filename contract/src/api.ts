import * as z from 'zod';
import { changeSchema } from '@ft/core/edits/change';
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
export const studioAtSchema = z.object({ revision: z.number().int(), studio: studioSchema });
export type StudioAt = z.infer<typeof studioAtSchema>;

/** `POST /api/studios/:id/changes`. */
export const postChangeSchema = z.strictObject({ author: authorSchema, change: changeSchema });

/** `POST /api/studios/:id/undo` and `/redo`: the author's own last change, or the one named. */
export const postUndoSchema = z.strictObject({
  author: authorSchema,
  /** Id of the change that undoing makes, so that asking twice undoes once. */
  change: z.string().regex(/^[a-zA-Z0-9-]{8,64}$/),
  revision: z.number().int().positive().optional(),
});

/** A history line as it goes over the wire. */
export const entrySchema = z.object({
  revision: z.number().int(),
  change: z.string(),
  label: z.string(),
  author: z.string(),
  /** The paired device it came from; left out for the computer the program runs on. */
  device: z.string().optional(),
  at: z.string(),
  edits: z.array(z.looseObject({ type: z.string() })),
  undoes: z.number().int().optional(),
  redoes: z.number().int().optional(),
});
export type EntryMessage = z.infer<typeof entrySchema>;

/** `GET /api/studios/:id/history`: newest first, without the edits themselves. */
export const historyLineSchema = entrySchema.omit({ edits: true }).extend({ editCount: z.number().int() });
export type HistoryLine = z.infer<typeof historyLineSchema>;
export const historySchema = z.object({ entries: z.array(historyLineSchema) });

/** What the header needs to know: what undo and redo would take back. */
export const undoStateSchema = z.object({
  undo: z.object({ revision: z.number().int(), label: z.string() }).optional(),
  redo: z.object({ revision: z.number().int(), label: z.string() }).optional(),
});
export type UndoState = z.infer<typeof undoStateSchema>;

/** How many windows look at a studio. */
export const presenceSchema = z.object({ windows: z.number().int() });

/** Every refusal: a stable code, one sentence, and where there are several, all of them. */
export const errorSchema = z.object({
  code: z.string(),
  message: z.string(),
  problems: z.array(z.string()).optional(),
});
export type ApiError = z.infer<typeof errorSchema>;

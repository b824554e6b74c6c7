import * as z from 'zod';

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

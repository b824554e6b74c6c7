import * as z from 'zod';
import { changeSchema } from '@ft/core/edits/change';
import { authorSchema } from './author';

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

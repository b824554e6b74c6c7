import * as z from 'zod';
import { ENTITY_KINDS } from '@ft/core/session/entityRef';

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

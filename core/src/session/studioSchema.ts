import * as z from 'zod';
import { studioIdSchema } from '../rig/ids';
import { nameSchema, rigSchema } from '../rig/rigSchema';
import { sessionSchema } from './sessionSchema';

/** A studio: what is bolted in, and the sessions planned on it. The document that edits change. */
export const studioSchema = z.strictObject({
  id: studioIdSchema,
  name: nameSchema,
  rig: rigSchema,
  sessions: z.array(sessionSchema),
});

export type Studio = z.infer<typeof studioSchema>;

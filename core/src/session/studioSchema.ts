import * as z from 'zod';
import { studioIdSchema } from '../rig/ids';
import { MOST_ITEMS } from '../rig/listBounds';
import { nameSchema, rigSchema } from '../rig/rigSchema';
import { BARE_FLOOR, floorSchema } from './floorSchema';
import { sessionSchema } from './sessionSchema';

/** A studio: what is bolted in, what is plugged just now, and the sessions planned on it. The document that edits change. */
export const studioSchema = z.strictObject({
  id: studioIdSchema,
  name: nameSchema,
  rig: rigSchema,
  floor: floorSchema.default(BARE_FLOOR),
  sessions: z.array(sessionSchema).max(MOST_ITEMS.sessions),
});

export type Studio = z.infer<typeof studioSchema>;

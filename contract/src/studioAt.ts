import * as z from 'zod';
import { studioSchema } from '@ft/core/session/studioSchema';

/** `GET /api/studios/:id`. */
export const studioAtSchema = z.object({
  revision: z.number().int(),
  /** Which studio of this id it is: another one after it was removed and brought in again. */
  incarnation: z.string(),
  studio: studioSchema,
});
export type StudioAt = z.infer<typeof studioAtSchema>;

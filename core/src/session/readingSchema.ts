import * as z from 'zod';
import { stationIdSchema } from '../rig/ids';

/** What a meter showed at a converter or console channel with the line-up tone on it. */
export const readingSchema = z.strictObject({
  id: stationIdSchema,
  /** In the unit the sheet expects there: dBu at an output, dBFS at an input. */
  level: z.number().min(-150, 'a level from -150 to +60').max(60, 'a level from -150 to +60'),
});
export type Reading = z.infer<typeof readingSchema>;

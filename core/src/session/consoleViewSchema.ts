import * as z from 'zod';
import { deviceIdSchema } from '../rig/ids';
import { nameSchema } from '../rig/rigSchema';

/** The most rows a view shows: more than the largest console has. */
const MOST_ROWS = 1000;

/** Rows of a channel sheet that are looked at together, under a name. What is hidden sounds as before. */
export const consoleViewSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,100}$/, 'an id of small letters, digits and hyphens'),
  device: deviceIdSchema,
  name: nameSchema,
  /** By their ids, in the order of the sheet. */
  rows: z.array(z.string().regex(/^[a-z0-9-]{1,60}$/, 'a row is written channel-3')).max(MOST_ROWS),
});
export type ConsoleView = z.infer<typeof consoleViewSchema>;

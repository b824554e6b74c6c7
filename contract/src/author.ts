import * as z from 'zod';

/** Who is at a window: kept by the browser, so that undo survives a reload. */
export const authorSchema = z
  .string()
  .regex(/^[a-zA-Z0-9-]{1,64}$/, 'an author is 1 to 64 letters, digits and hyphens');

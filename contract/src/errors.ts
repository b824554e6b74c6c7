import * as z from 'zod';

/** Every refusal: a stable code, one sentence, and where there are several, all of them. */
export const errorSchema = z.object({
  code: z.string(),
  message: z.string(),
  problems: z.array(z.string()).optional(),
});
export type ApiError = z.infer<typeof errorSchema>;

/**
 * Refusals that say nothing about a change itself: who asks is not let in just now, the studio is not this
 * one, the program is busy. A change that meets one is kept by whoever made it.
 */
export const KEEPING_CODES: ReadonlySet<string> = new Set([
  'not-paired',
  'not-found',
  'not-local',
  'no-token',
  'replaced',
  'busy',
  'too-fast',
]);

import * as z from 'zod';

/** The header in which a window names a job, so that it can ask how far it is. */
export const JOB_HEADER = 'x-thread-job';

export const jobIdSchema = z
  .string()
  .regex(/^[a-zA-Z0-9-]{8,64}$/, 'a job is 8 to 64 letters, digits and hyphens');

/**
 * `GET /api/jobs/:id`: a job waits for its turn, or says what it does and which of how many steps that is. None:
 * it is done, or has not come yet.
 */
export const jobStateSchema = z.discriminatedUnion('state', [
  z.object({ state: z.literal('none') }),
  z.object({ state: z.literal('waiting') }),
  z.object({
    state: z.literal('running'),
    step: z.string(),
    at: z.number().int(),
    of: z.number().int(),
  }),
]);
export type JobState = z.infer<typeof jobStateSchema>;

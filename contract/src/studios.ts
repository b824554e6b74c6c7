import * as z from 'zod';

/** One studio on the first screen. */
export const studioSummarySchema = z.object({
  id: z.string(),
  name: z.string(),
  revision: z.number().int(),
  changedAt: z.string(),
  /** Each with the scene it opens at: its first that is not put away; empty where it cannot be read. */
  sessions: z.array(z.object({ id: z.string(), name: z.string(), scene: z.string() })),
});
/** What the list of studios says of one; also `GET /api/studios/:id/summary`. */
export type StudioSummary = z.infer<typeof studioSummarySchema>;
export const studioListSchema = z.object({ studios: z.array(studioSummarySchema) });

/** `POST /api/studios`: begin a rig. */
export const beginStudioSchema = z.strictObject({
  name: z.string().trim().min(1, 'a name is needed').max(80),
});

/** `POST /api/studios` and others that make one. */
export const madeSchema = z.object({ id: z.string() });

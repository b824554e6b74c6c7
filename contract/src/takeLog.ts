import * as z from 'zod';
import { sessionIdSchema } from '@ft/core/rig/ids';
import { logOpSchema, logRowSchema } from '@ft/core/takes/logRows';
import { authorSchema } from './author';

/** Rows told at once. */
export const LOG_PAGE = 1_000;
/** Operations taken at once. */
export const MOST_OPS = 500;

/** A row with its place in the order in which the log of a studio was written. */
export const storedRowSchema = z.object({ seq: z.number().int().min(1), row: logRowSchema });
export type StoredRow = z.infer<typeof storedRowSchema>;

/** `GET /api/studios/:id/sessions/:session/log?since=`: what was written since, at most a page. */
export const logPageSchema = z.object({ rows: z.array(storedRowSchema), more: z.boolean() });
export type LogPage = z.infer<typeof logPageSchema>;

/** `POST /api/studios/:id/sessions/:session/log`: asked twice, it is made once. */
export const postLogSchema = z.strictObject({
  author: authorSchema,
  ops: z
    .array(logOpSchema)
    .min(1)
    .max(MOST_OPS, `at most ${String(MOST_OPS)} at once`),
});

/** What was made of them; those that were not, by their place, each with why. */
export const logAnswerSchema = z.object({
  rows: z.array(storedRowSchema),
  refused: z.array(z.object({ at: z.number().int(), code: z.string(), sentence: z.string() })),
});
export type LogAnswer = z.infer<typeof logAnswerSchema>;

/** Server-sent event `log`: rows as they are written, to every window of the studio. */
export const logEventSchema = z.object({ session: sessionIdSchema, rows: z.array(storedRowSchema) });
export type LogEvent = z.infer<typeof logEventSchema>;

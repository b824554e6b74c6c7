import * as z from 'zod';

/** A session or template in the list of studios. */
export const sessionSummarySchema = z.object({
  id: z.string(),
  name: z.string(),
  /** The scene it opens at: its first that is not put away; empty where it cannot be read. */
  scene: z.string(),
  /** Its day, "2026-12-05". */
  date: z.string().optional(),
  goesLive: z.boolean(),
  archived: z.boolean(),
  template: z.boolean(),
  /** The scene of it that was last put on the floor, by name. */
  onFloor: z.string().optional(),
  /** When it was last opened in any window, ISO 8601. */
  openedAt: z.string().optional(),
});
export type SessionSummary = z.infer<typeof sessionSummarySchema>;

/** One studio on the first screen. */
export const studioSummarySchema = z.object({
  id: z.string(),
  name: z.string(),
  revision: z.number().int(),
  changedAt: z.string(),
  /** In the order in which sessions are read: put away ones after the others, templates last. */
  sessions: z.array(sessionSummarySchema),
});
/** What the list of studios says of one; also `GET /api/studios/:id/summary`. */
export type StudioSummary = z.infer<typeof studioSummarySchema>;
export const studioListSchema = z.object({ studios: z.array(studioSummarySchema) });

/** A starter room by its id, and what was answered to its questions. */
export const starterRoomSchema = z.strictObject({
  starter: z.string().max(64),
  answers: z.record(z.string().max(64), z.union([z.number(), z.boolean()])),
});
export type StarterRoom = z.infer<typeof starterRoomSchema>;

/** `POST /api/studios`: begin a rig, empty or as a starter room. */
export const beginStudioSchema = z.strictObject({
  name: z.string().trim().min(1, 'a name is needed').max(80, 'at most 80 characters'),
  room: starterRoomSchema.optional(),
});

/** `POST /api/studios` and others that make one. */
export const madeSchema = z.object({ id: z.string() });

/** `GET /api/studios/:id/findings`: open findings of each session, where it opens or where it is on the floor. */
export const studioFindingsSchema = z.object({
  sessions: z.array(
    z.object({ id: z.string(), scene: z.string(), errors: z.number().int(), warnings: z.number().int() }),
  ),
});
export type StudioFindings = z.infer<typeof studioFindingsSchema>;

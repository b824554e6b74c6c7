import * as z from 'zod';
import { sessionIdSchema } from '../rig/ids';

/** Rows are made by whoever notes, also without a connection: their ids are random. */
export const logIdSchema = z
  .string()
  .regex(/^[a-zA-Z0-9-]{8,64}$/, 'an id of 8 to 64 letters, digits and hyphens');

const moment = z.iso.datetime('a moment is written 2026-12-05T14:05:00Z');
/** A day of running is more than any counter. */
const counterS = z.number().min(0, 'a time from 0 to 24 hours').max(86_400, 'a time from 0 to 24 hours');
const words = z.string().max(2_000, 'at most 2000 characters');
const names = z.array(z.string().max(200)).max(500);

/** What a note is about, by the keys 1 to 6. */
export const NOTE_KINDS = ['early', 'late', 'pitch', 'noise', 'words', 'good'] as const;
export type NoteKind = (typeof NOTE_KINDS)[number];

const shared = {
  id: logIdSchema,
  session: sessionIdSchema,
  /** When it was made, and by whom. */
  at: moment,
  by: z.string().max(80),
};

/** Where the counter stood at a moment, ms since 1970: it runs on from the last of these. */
export const syncSchema = z.strictObject({ atMs: z.number().int().min(0), counterS });
export type Sync = z.infer<typeof syncSchema>;

const rollS = z.number().min(0, 'from 0 to 60 s').max(60, 'from 0 to 60 s');

const stretch = z.strictObject({ fromS: counterS, toS: counterS });

/** One run of the counter. Takes are never deleted: "best" and "used" are marks. */
export const takeSchema = z.strictObject({
  kind: z.literal('take'),
  ...shared,
  reel: z.string().max(80),
  number: z.number().int().min(1).max(99_999),
  performers: names,
  /** Armed for it, by name: a track may be renamed or removed later. */
  tracks: names,
  /** The first is its start. */
  syncs: z.array(syncSchema).min(1).max(1_000),
  /** Left out while it runs. */
  endedAt: moment.optional(),
  endS: counterS.optional(),
  /** The take it plays into, and the punch it is a run of. */
  of: logIdSchema.optional(),
  punch: logIdSchema.optional(),
  best: z.boolean().optional(),
  /** Stretches of it that are used. */
  used: z.array(stretch).max(500).optional(),
  text: words.optional(),
});
export type Take = z.infer<typeof takeSchema>;

export const noteSchema = z.strictObject({
  kind: z.literal('note'),
  ...shared,
  take: logIdSchema,
  /** The counter when it was heard. */
  counterS,
  about: z.enum(NOTE_KINDS).optional(),
  text: words.optional(),
  /** Whether it is to be played again, and who says so. */
  agreed: z.boolean().nullable().optional(),
  agreedBy: z.string().max(80).optional(),
  /** Crossed out: it stays, and counts no more. */
  struck: z.boolean().optional(),
});
export type Note = z.infer<typeof noteSchema>;

/** What a new layer begins from, and how a punch ends. */
export const LAYERS = ['last take', 'nothing'] as const;
export const PUNCH_ENDS = ['at out', 'by hand', 'again and again'] as const;

export const punchSchema = z.strictObject({
  kind: z.literal('punch'),
  ...shared,
  take: logIdSchema,
  note: logIdSchema.optional(),
  performer: z.string().max(200),
  /** Every line of the performer, spot and room. */
  tracks: names,
  inS: counterS,
  outS: counterS,
  preRollS: rollS,
  postRollS: rollS,
  layer: z.enum(LAYERS),
  ends: z.enum(PUNCH_ENDS),
  struck: z.boolean().optional(),
});
export type Punch = z.infer<typeof punchSchema>;

/** A row of the log beside the documents. */
export const logRowSchema = z.discriminatedUnion('kind', [takeSchema, noteSchema, punchSchema]);
export type LogRow = z.infer<typeof logRowSchema>;

/** A row is added whole, or some of its fields are set; null empties one. Rows are never taken away. */
export const logOpSchema = z.discriminatedUnion('op', [
  z.strictObject({ op: z.literal('add'), row: logRowSchema }),
  z.strictObject({ op: z.literal('set'), id: logIdSchema, fields: z.record(z.string(), z.unknown()) }),
]);
export type LogOp = z.infer<typeof logOpSchema>;

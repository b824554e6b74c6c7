import * as z from 'zod';

/** The name and version of the open archive format, `*.thread.zip`. */
export const ARCHIVE_FORMAT = 'faithful-thread-archive/1';

/** `archive.json`: what the archive holds, with a checksum of each file. */
export const archiveManifestSchema = z.strictObject({
  format: z.literal(ARCHIVE_FORMAT),
  writtenAt: z.string(),
  studios: z
    .array(z.strictObject({ id: z.string(), name: z.string(), revision: z.number().int().min(0) }))
    .max(1000),
  /** SHA-256 of every other file, hex, by its path. */
  checksums: z.record(z.string(), z.string()),
});
export type ArchiveManifest = z.infer<typeof archiveManifestSchema>;

const wholeNumber = z.number().int().min(1);

/** A line of `history.ndjson`. Edits stay what they are; the document beside them is what is checked. */
export const archiveEntrySchema = z.strictObject({
  revision: wholeNumber,
  change: z.string().min(1).max(96),
  label: z.string().max(300),
  author: z.string().max(96),
  tablet: z.string().max(96).optional(),
  at: z.string().max(40),
  undoes: wholeNumber.optional(),
  redoes: wholeNumber.optional(),
  edits: z.array(z.looseObject({ type: z.string() })).max(20_000),
  inverse: z.array(z.looseObject({ type: z.string() })).max(20_000),
});

/** `tablets.json`: the names behind the ids in the history. */
export const archiveTabletsSchema = z
  .array(z.strictObject({ id: z.string().max(96), name: z.string().max(80), pairedAt: z.string().max(40) }))
  .max(10_000);

export const MANIFEST = 'archive.json';
export const bundlePath = (id: string): string => `studios/${id}/studio.thread.json`;
export const historyPath = (id: string): string => `studios/${id}/history.ndjson`;
export const tabletsPath = (id: string): string => `studios/${id}/tablets.json`;
/** Takes, notes and punches, a row a line; there is none where nothing was logged. */
export const logPath = (id: string): string => `studios/${id}/log.ndjson`;

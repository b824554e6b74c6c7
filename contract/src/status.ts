import * as z from 'zod';

/** Why a backup was made. */
export const BACKUP_KINDS = ['daily', 'asked', 'before-upgrade'] as const;
export const backupKindSchema = z.enum(BACKUP_KINDS);
export type BackupKind = z.infer<typeof backupKindSchema>;

/** A verified copy of everything the program holds. */
export const backupSchema = z.object({
  name: z.string(),
  at: z.string(),
  kind: backupKindSchema,
  bytes: z.number().int(),
});
export type Backup = z.infer<typeof backupSchema>;

/** `GET /api/backups`: newest first, and what kept the last one from being made. */
export const backupsSchema = z.object({ backups: z.array(backupSchema), trouble: z.string().nullable() });
export type Backups = z.infer<typeof backupsSchema>;

/** `GET /api/backups/:name`: the studios in it. */
export const backupContentSchema = z.object({
  studios: z.array(
    z.object({ id: z.string(), name: z.string(), revision: z.number().int(), changedAt: z.string() }),
  ),
});
export type BackupContent = z.infer<typeof backupContentSchema>;

/** A data file that was damaged and is kept aside, and what is known to be lost against the newest good backup. */
export const setAsideSchema = z.object({
  at: z.string(),
  folder: z.string(),
  reason: z.string(),
  backup: backupSchema.nullable(),
  /** Changes after the backup, per studio; null where the damaged file does not tell. */
  lost: z
    .array(z.object({ studio: z.string(), changes: z.number().int(), lastAt: z.string().nullable() }))
    .nullable(),
});
export type SetAside = z.infer<typeof setAsideSchema>;

/** `GET /api/status`: how the program is, for whoever helps. */
export const statusSchema = z.object({
  version: z.string(),
  startedAt: z.string(),
  folder: z.string(),
  /** Free on the disk that holds the folder; null where the system does not tell. */
  freeBytes: z.number().nullable(),
  dataBytes: z.number(),
  studios: z.number().int(),
  lastBackup: backupSchema.nullable(),
  backupTrouble: z.string().nullable(),
  /** Paired tablets that have a window open just now. */
  tablets: z.array(z.object({ name: z.string(), windows: z.number().int() })),
  windows: z.number().int(),
  setAside: setAsideSchema.nullable(),
});
export type Status = z.infer<typeof statusSchema>;

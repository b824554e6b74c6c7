import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Backup, SetAside } from '@ft/contract/status';
import { setAsideSchema } from '@ft/contract/status';
import type { Backups } from './backups';
import { withRaw } from './rawDatabase';
import { soundnessOf } from './soundness';

const FOLDER = 'set-aside';
const NOTE = 'note.json';

/** The newest backup that is whole. */
async function newestGood(backups: Backups): Promise<Backup | undefined> {
  for (const backup of await backups.list()) {
    const file = backups.fileOf(backup.name);
    if (file === undefined) continue;
    const soundness = await soundnessOf(file, true).catch(() => undefined);
    if (soundness?.ok === true) return backup;
  }
  return undefined;
}

interface Stand {
  readonly name: string;
  readonly revision: number;
  readonly changedAt: string;
}

/** Where the studios of a file stand, as far as it can be read. */
async function standsIn(file: string): Promise<ReadonlyMap<string, Stand> | undefined> {
  try {
    return await withRaw(file, async (database) => {
      const rows = await database.all('SELECT id, name, revision, changedAt FROM studios');
      return new Map(rows.map((row) => [String(row['id']), row as unknown as Stand]));
    });
  } catch {
    return undefined;
  }
}

/** What stands in a damaged file and not in the backup; null where the damaged file does not tell. */
async function lostBetween(damaged: string, backup: string | undefined): Promise<SetAside['lost']> {
  const now = await standsIn(damaged);
  if (now === undefined) return null;
  const then = backup === undefined ? undefined : await standsIn(backup);
  return [...now]
    .map(([id, { name, revision, changedAt }]) => ({
      studio: name,
      changes: revision - (then?.get(id)?.revision ?? 0),
      lastAt: changedAt,
    }))
    .filter(({ changes }) => changes > 0);
}

/**
 * Puts a damaged data base aside, whole, so that somebody can still look into it; a new one can then be begun.
 * Writes down what is known of it for the first screen.
 */
export async function setAside(
  folder: string,
  file: string,
  reason: string,
  backups: Backups,
  at: string,
): Promise<SetAside> {
  const backup = await newestGood(backups);
  const lost = await lostBetween(file, backup && backups.fileOf(backup.name));
  const to = join(folder, FOLDER, at.replace(/[:.]/g, '-'));
  mkdirSync(to, { recursive: true });
  for (const part of [file, `${file}-wal`, `${file}-shm`])
    if (existsSync(part)) renameSync(part, join(to, part.slice(folder.length + 1)));
  const note: SetAside = { at, folder: to, reason, backup: backup ?? null, lost };
  writeFileSync(join(to, NOTE), JSON.stringify(note, null, 2));
  return note;
}

/** A note, or undefined where there is none that can be read: the disk that damaged the data may damage it too. */
function noteIn(file: string): SetAside | undefined {
  try {
    return setAsideSchema.parse(JSON.parse(readFileSync(file, 'utf8')));
  } catch {
    return undefined;
  }
}

/** The last file set aside whose note nobody has put away, or null. */
export function lastSetAside(folder: string): SetAside | null {
  const base = join(folder, FOLDER);
  const names = existsSync(base) ? readdirSync(base).sort().reverse() : [];
  for (const name of names) {
    const note = noteIn(join(base, name, NOTE));
    if (note !== undefined) return note;
  }
  return null;
}

/** Puts the note away. The damaged file stays. */
export function dismissSetAside(folder: string): void {
  const note = lastSetAside(folder);
  if (note !== null) rmSync(join(note.folder, NOTE), { force: true });
}

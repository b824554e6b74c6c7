import { existsSync } from 'node:fs';
import { readdir, rm, stat, statfs } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { Backup, BackupKind } from '@ft/contract/status';
import { backupKindSchema } from '@ft/contract/status';
import { diskTroubleOf } from './diskTrouble';
import { outlived } from './retention';
import { takeSnapshot } from './snapshot';

/** `2026-11-28T12-00-00-000Z.daily.sqlite`: when and why stand in the name, so nothing else has to be kept. */
const NAME = /^(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})-(\d{3})Z\.([a-z-]+)\.sqlite$/;

/** Room that is left on the disk after a backup, bytes: it must not be what fills it. */
const LEFT_OVER = 100 * 1024 * 1024;

async function freeBytesOf(folder: string): Promise<number> {
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
}

const nameOf = (at: string, kind: BackupKind): string => `${at.replace(/[:.]/g, '-')}.${kind}.sqlite`;

async function backupAt(folder: string, name: string): Promise<Backup | undefined> {
  const [, day = '', h = '', m = '', s = '', ms = '', kind] = NAME.exec(name) ?? [];
  const known = backupKindSchema.safeParse(kind);
  if (!known.success) return undefined;
  const { size } = await stat(join(folder, name));
  return { name, at: `${day}T${h}:${m}:${s}.${ms}Z`, kind: known.data, bytes: size };
}

/** The disk has no room for another backup. */
export class NoRoom extends Error {
  constructor(
    readonly neededBytes: number,
    readonly freeBytes: number,
  ) {
    super('no room for a backup');
  }
}

const megabytes = (bytes: number): string => `${String(Math.ceil(bytes / 1_000_000))} MB`;

/** Why a backup could not be made, and what to do. */
export function backupTrouble(error: unknown): string {
  if (error instanceof NoRoom)
    return `No backup was made: the disk has ${megabytes(error.freeBytes)} left, and it needs ${megabytes(error.neededBytes)}. Free some space; the backups that are there stay.`;
  const trouble = diskTroubleOf(error);
  const why =
    trouble === 'disk-full'
      ? 'the disk is full'
      : trouble === 'disk-read-only'
        ? 'its folder cannot be written to'
        : trouble === 'disk-damaged'
          ? 'the data file is damaged; stop the program and start it again'
          : 'the disk could not be read or written';
  return `No backup was made: ${why}. The backups that are there stay.`;
}

/** Verified copies of the data base in a folder beside it. */
export class Backups {
  /** @param freeBytes what is free on the disk of a folder. */
  constructor(
    private readonly database: string,
    readonly folder: string,
    private readonly freeBytes: (folder: string) => Promise<number> = freeBytesOf,
  ) {}

  fileOf(name: string): string | undefined {
    const file = join(this.folder, name);
    return NAME.test(name) && existsSync(file) ? file : undefined;
  }

  /** The backups there are, newest first. */
  async list(): Promise<readonly Backup[]> {
    const names = existsSync(this.folder) ? await readdir(this.folder) : [];
    const found = await Promise.all(names.map((name) => backupAt(this.folder, name)));
    return found.filter((backup) => backup !== undefined).sort((a, b) => (a.at < b.at ? 1 : -1));
  }

  /** Makes a backup, then lets those go that are outlived. Throws `NoRoom` rather than fill the disk. */
  async make(kind: BackupKind, at: string): Promise<Backup> {
    await this.needRoom();
    const name = nameOf(at, kind);
    const bytes = await takeSnapshot(this.database, join(this.folder, name));
    for (const old of outlived(await this.list())) await rm(join(this.folder, old.name), { force: true });
    return { name, at, kind, bytes };
  }

  private async needRoom(): Promise<void> {
    const sizes = [this.database, `${this.database}-wal`].filter(existsSync).map((file) => stat(file));
    const needed = (await Promise.all(sizes)).reduce((sum, { size }) => sum + size, LEFT_OVER);
    const free = await this.freeBytes(dirname(this.folder));
    if (free < needed) throw new NoRoom(needed, free);
  }
}

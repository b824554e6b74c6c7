import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { diskTroubleOf } from './diskTrouble';
import type { RawDatabase } from './rawDatabase';
import { openRaw } from './rawDatabase';

/** Who writes to a data folder. */
export interface Writer {
  readonly pid: number;
  readonly since: string;
}

/** Another process writes to this data folder. */
export class FolderTaken extends Error {
  constructor(readonly by: Writer | undefined) {
    super('the data folder is taken');
  }
}

const nameplate = (folder: string): string => join(folder, 'writer.json');

function writerOf(folder: string): Writer | undefined {
  try {
    return JSON.parse(readFileSync(nameplate(folder), 'utf8')) as Writer;
  } catch {
    return undefined;
  }
}

/** Who has it is only for the message: a full disk must not keep anybody from looking at what is there. */
function writeNameplate(folder: string, writer: Writer): void {
  try {
    writeFileSync(nameplate(folder), JSON.stringify(writer));
  } catch {
    rmSync(nameplate(folder), { force: true });
  }
}

/**
 * Makes this process the only one that writes to a folder. The lock is the operating system's, held on a small
 * file of its own, so that it goes with the process however that ends.
 * @returns what gives it back. Throws `FolderTaken`.
 */
export async function lockFolder(folder: string, writer: Writer): Promise<() => Promise<void>> {
  const lock: RawDatabase = await openRaw(join(folder, 'writer.lock'), { mustExist: false });
  try {
    await lock.all('BEGIN EXCLUSIVE');
  } catch (error) {
    await lock.close();
    if (diskTroubleOf(error) === 'disk-busy') throw new FolderTaken(writerOf(folder));
    throw error;
  }
  writeNameplate(folder, writer);
  return async () => {
    rmSync(nameplate(folder), { force: true });
    await lock.all('ROLLBACK');
    await lock.close();
  };
}

import { diskTroubleOf } from './database/diskTrouble';
import type { DiskTrouble } from './database/diskTrouble';
import { NewerData } from './database/migrate';
import { FolderTaken } from './database/writerLock';
import { BadCopy } from './database/snapshot';
import { NoRoom } from './database/backups';

/** Why the program does not start, in one sentence with what to do: for the terminal, without a stack. */
export class CannotStart extends Error {
  constructor(
    message: string,
    readonly exitCode: 1 | 2 = 1,
  ) {
    super(message);
  }
}

const OF_DISK: Record<DiskTrouble, (folder: string) => string> = {
  'disk-full': (folder) =>
    `The disk that holds ${folder} is full, so the program cannot start. Nothing that was stored is lost. Free some space and start it again.`,
  'disk-read-only': (folder) =>
    `The data folder ${folder} cannot be written to, so the program cannot start. Give this user the right to write there, or set FT_DATA to another folder.`,
  'disk-damaged': (folder) =>
    `A file in ${folder} is damaged and could not be set aside, so the program cannot start. Move the folder away and start it again, then bring a backup back.`,
  'disk-failed': (folder) =>
    `The data folder ${folder} cannot be used: it cannot be made, read or opened. Check that its disk is there, that it is a folder, or set FT_DATA to another one.`,
  'disk-busy': (folder) =>
    `Another program holds a file in ${folder}. Close what looks into the folder and start the program again.`,
};

const said = (time: string): string => time.slice(0, 16).replace('T', ' ');

/** What kept the program from starting, or the error itself where it is a fault of the program. */
export function cannotStart(error: unknown, folder: string): unknown {
  if (error instanceof CannotStart) return error;
  if (error instanceof FolderTaken) {
    const { by } = error;
    const who = by === undefined ? '' : ` (process ${String(by.pid)}, since ${said(by.since)} UTC)`;
    return new CannotStart(
      `The program is already running on ${folder}${who}. Open that one, stop it first, or set FT_DATA to another folder.`,
    );
  }
  if (error instanceof NewerData)
    return new CannotStart(
      `The data in ${folder} was written by a newer version of the program (it has “${error.migration}”). Nothing was changed. Start that version, or set FT_DATA to another folder.`,
    );
  if (error instanceof NoRoom || error instanceof BadCopy)
    return new CannotStart(
      `The data in ${folder} has to be brought up to date, but no copy of it could be made before${error instanceof NoRoom ? ': the disk is nearly full' : ': the copy did not come out whole'}. Nothing was changed. Free some space and start the program again.`,
    );
  const trouble = diskTroubleOf(error);
  return trouble === undefined ? error : new CannotStart(OF_DISK[trouble](folder));
}

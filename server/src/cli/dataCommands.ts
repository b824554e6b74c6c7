import { existsSync } from 'node:fs';
import { copyFile, mkdir, readdir } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import { diskTroubleOf } from '../database/diskTrouble';
import { soundnessOf } from '../database/soundness';
import { takeSnapshot } from '../database/snapshot';
import { FileStore } from '../files/fileStore';
import { storesOf, withBackup } from '../archive/wholeStudios';
import { dataFolder } from '../options';
import { studioOf } from '../studios/documents';
import { integrityProblems } from '@ft/core/session/integrity';
import type { Database } from '../database/openDatabase';
import type { Answer } from './answer';
import { BadInput } from './badInput';
import type { DataRequest } from './dataRequest';

const DATABASE = 'studios.sqlite';

function databaseIn(folder: string): string {
  const file = join(folder, DATABASE);
  if (existsSync(file)) return file;
  throw new BadInput(`There is no data in ${folder}. Set FT_DATA to the data folder of the program.`);
}

function fileNamed(target: string | undefined): string {
  if (target !== undefined && existsSync(target)) return resolve(target);
  throw new BadInput(
    `There is no file “${target ?? ''}”. Give the path of a backup (*.sqlite, in the folder backups of the data folder).`,
  );
}

/** `ft backup DIR`: a verified copy of all data, while the program runs or not. */
async function backup({ target, now }: DataRequest): Promise<Answer> {
  if (target === undefined) throw new BadInput('Say where to: ft backup DIR.');
  const file = databaseIn(dataFolder(process.env));
  const to = join(resolve(target), `${now.replace(/[:.]/g, '-')}.asked.sqlite`);
  const bytes = await takeSnapshot(file, to);
  return {
    text: `Backed up to ${to} (${String(Math.ceil(bytes / 1000))} kB), and looked over: it is whole.`,
    json: { format: 'faithful-thread-backup/1', file: to, bytes },
    exitCode: 0,
  };
}

/** `ft restore FILE`: a data folder of its own, beside the one in use. */
async function restore({ target, into, now }: DataRequest): Promise<Answer> {
  const file = fileNamed(target);
  const soundness = await soundnessOf(file, true);
  if (!soundness.ok) throw new BadInput(`${file} is damaged (${soundness.reason}). Take an older backup.`);
  const beside = dataFolder(process.env);
  const folder = resolve(into ?? join(dirname(beside), `faithful-thread-restored-${now.slice(0, 10)}`));
  if (existsSync(folder) && (await readdir(folder)).length > 0)
    throw new BadInput(`${folder} is not empty. Give another folder with --into; nothing is written over.`);
  await mkdir(folder, { recursive: true });
  await copyFile(file, join(folder, DATABASE));
  return {
    text: `Restored to ${folder}. Nothing else was touched. Look at it with:\n  FT_DATA=${folder} npm start`,
    json: { format: 'faithful-thread-restore/1', folder },
    exitCode: 0,
  };
}

async function problemsIn(database: Database, filesFolder: string | undefined): Promise<readonly string[]> {
  const { store, history } = storesOf(database);
  const problems: string[] = [];
  for (const { id, name, revision } of await store.list()) {
    const stored = await store.read(id);
    try {
      if (stored !== undefined && integrityProblems(studioOf(stored.documents)).length > 0)
        problems.push(`${name}: its documents do not hold together`);
    } catch {
      problems.push(`${name}: its documents cannot be read`);
    }
    let last = 0;
    for (
      let page = await history.since(id, 0, 500);
      page.length > 0;
      page = await history.since(id, last, 500)
    )
      for (const line of page) {
        if (line.revision !== last + 1) problems.push(`${name}: revision ${String(last + 1)} is missing`);
        last = line.revision;
      }
    if (last !== 0 && last !== revision)
      problems.push(`${name}: its history ends at ${String(last)} of ${String(revision)}`);
  }
  if (filesFolder === undefined) return problems;
  const unsound = await new FileStore(database, filesFolder).unsound();
  return [...problems, ...unsound.map(({ hash, because }) => `file ${hash.slice(0, 12)}: ${because}`)];
}

/** `ft verify [FILE]`: the data folder, or a backup, looked over page by page, document by document, line by line. */
async function verify({ target }: DataRequest): Promise<Answer> {
  const folder = dataFolder(process.env);
  const file = target === undefined ? databaseIn(folder) : fileNamed(target);
  const soundness = await soundnessOf(file, true);
  const problems = soundness.ok
    ? await withBackup(file, (database) =>
        problemsIn(database, target === undefined ? join(folder, 'files') : undefined),
      )
    : [`the file is damaged: ${soundness.reason}`];
  return {
    text:
      problems.length === 0
        ? `${file} is whole: every page, every document and every line of the history.`
        : `${file}:\n${problems.map((problem) => `  ${problem}`).join('\n')}\nTake the newest backup that is whole: ft restore FILE.`,
    json: { format: 'faithful-thread-verify/1', file, problems },
    exitCode: problems.length === 0 ? 0 : 1,
  };
}

const RUN = { backup, restore, verify } as const;

/** Runs a data command. Throws `BadInput` with the remedy. */
export async function dataCommand(request: DataRequest): Promise<Answer> {
  try {
    return await RUN[request.command](request);
  } catch (error) {
    const trouble = diskTroubleOf(error);
    if (trouble === undefined) throw error;
    throw new BadInput(
      {
        'disk-full': 'The disk is full. Nothing was left behind; free some space, or choose another disk.',
        'disk-read-only': 'The place cannot be written to. Choose another, or get the right to write there.',
        'disk-damaged': 'The file is damaged. Take an older backup.',
        'disk-failed': 'The file could not be read or written. Check the path and the disk.',
        'disk-busy': 'Another program holds the file. Close it and try again.',
      }[trouble],
    );
  }
}

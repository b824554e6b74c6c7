import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync } from 'node:fs';
import type { Server } from 'node:http';
import { join } from 'node:path';
import type { Express } from 'express';
import type { LogRow } from '@ft/core/takes/logRows';
import type { Apps } from './app';
import { createApps } from './app';
import { Backups } from './database/backups';
import { BackupSchedule } from './database/backupSchedule';
import type { Database } from './database/openDatabase';
import { openDatabase } from './database/openDatabase';
import { setAside } from './database/setAside';
import { soundnessOf } from './database/soundness';
import { lockFolder } from './database/writerLock';
import { FileStore } from './files/fileStore';
import type { Budget } from './jobs/budget';
import { JobPool } from './jobs/jobPool';
import type { Log } from './log/log';
import type { Door } from './network/door';

/** What the program runs on. */
export interface Surroundings {
  /** The data folder. */
  readonly folder: string;
  readonly log: Log;
  readonly version: string;
  /** The current time, ISO 8601. */
  readonly now: () => string;
  /** Told in words what happens while it starts. */
  readonly say: (line: string) => void;
  /** The built worker program. */
  readonly workerFile: string;
  readonly budget?: Budget;
  readonly demo: () => string;
  readonly demoLog: () => readonly LogRow[];
  readonly webRoot?: string;
  readonly door: (app: () => Express) => Door;
}

/** A program that runs on its data. */
export interface Program extends Apps {
  readonly database: Database;
  readonly schedule: BackupSchedule;
  readonly backups: Backups;
  /** What a page shows with whatever changes something. */
  readonly token: string;
  /** Finishes what was accepted, lets everybody go and closes the data. */
  stop(): Promise<void>;
}

const DATABASE = 'studios.sqlite';
const PAGE_TOKEN = 'page.token';

/** Looks the data over before anything is trusted to it; a damaged file is set aside, and a new one begun. */
async function checkData(folder: string, backups: Backups, { now, say, log }: Surroundings): Promise<void> {
  const file = join(folder, DATABASE);
  if (!existsSync(file)) return;
  const soundness = await soundnessOf(file, false);
  if (soundness.ok) return;
  const note = await setAside(folder, file, soundness.reason, backups, now());
  log.note('data set aside', { backup: note.backup?.name });
  say(
    `The data file is damaged and was set aside in ${note.folder}. ` +
      (note.backup === null
        ? 'There is no backup of it.'
        : `The newest backup is of ${note.backup.at.slice(0, 16).replace('T', ' ')} UTC; the first screen brings it back.`),
  );
}

async function pageToken(database: Database): Promise<string> {
  const { settings } = database.models;
  const known = await settings.findByPk(PAGE_TOKEN);
  if (known !== null) return known.value;
  const value = randomBytes(24).toString('base64url');
  await database.write((transaction) => settings.upsert({ key: PAGE_TOKEN, value }, { transaction }));
  return value;
}

/**
 * Opens the data and sets the program up on it: locked, looked over, brought up to date after a copy was made.
 * Throws what `cannotStart` puts into words.
 */
// eslint-disable-next-line max-lines-per-function -- what has to happen at a start, in its order
export async function startProgram(surroundings: Surroundings): Promise<Program> {
  const { folder, log, now, say, workerFile, budget } = surroundings;
  mkdirSync(folder, { recursive: true });
  const unlock = await lockFolder(folder, { pid: process.pid, since: now() });
  try {
    const file = join(folder, DATABASE);
    const backups = new Backups(file, join(folder, 'backups'));
    await checkData(folder, backups, surroundings);
    const database = await openDatabase(file, {
      say,
      copyBefore: async () => {
        const { name } = await backups.make('before-upgrade', now());
        say(`A verified copy was made before: ${name} in ${backups.folder}.`);
      },
    });
    const schedule = new BackupSchedule(backups, now, log);
    const pool = new JobPool({ workerFile, ...(budget && { budget }) });
    const token = await pageToken(database);
    const apps = createApps({ ...surroundings, database, pool, backups, schedule, token });
    await new FileStore(database, join(folder, 'files')).sweep(Date.parse(now()));
    return {
      ...apps,
      ...{ database, schedule, backups, token },
      async stop() {
        apps.windows.close();
        await apps.sharing.stop();
        await apps.keeper.idle();
        await schedule.stop();
        await pool.close();
        await database.close();
        await unlock();
        await log.close();
      },
    };
  } catch (error) {
    await unlock();
    throw error;
  }
}

/** Stops listening and waits until what is being answered is answered. */
export const closed = (server: Server): Promise<void> =>
  new Promise((resolve) => {
    server.close(() => {
      resolve();
    });
    server.closeIdleConnections();
  });

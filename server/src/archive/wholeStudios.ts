import { copyFile, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Database } from '../database/openDatabase';
import { openDatabase } from '../database/openDatabase';
import { HistoryStore } from '../history/historyStore';
import type { StoredEntry } from '../history/storedEntry';
import { TabletStore } from '../network/tabletStore';
import type { LogRow } from '@ft/core/takes/logRows';
import { LogStore } from '../takes/logStore';
import type { WholeStudio } from '../studios/wholeStudio';
import { StudioStore } from '../studios/studioStore';

/** Lines read at once. */
const PAGE = 500;

/** The whole history of a studio, page by page. */
export async function* historyOf(
  history: HistoryStore,
  studioId: string,
): AsyncGenerator<readonly StoredEntry[]> {
  for (let after = 0; ;) {
    const page = await history.since(studioId, after, PAGE);
    if (page.length === 0) return;
    yield page;
    after = page.at(-1)?.revision ?? after;
  }
}

/** The stores of a data base. */
export function storesOf(database: Database): {
  readonly history: HistoryStore;
  readonly store: StudioStore;
  readonly tablets: TabletStore;
  readonly takeLog: LogStore;
} {
  const history = new HistoryStore(database);
  return {
    ...{ history, store: new StudioStore(database, history), tablets: new TabletStore(database) },
    takeLog: new LogStore(database),
  };
}

/** A studio of a data base with its whole history. */
export async function wholeStudio(database: Database, studioId: string): Promise<WholeStudio | undefined> {
  const { store, history, tablets, takeLog } = storesOf(database);
  const stored = await store.read(studioId);
  if (stored === undefined) return undefined;
  const entries: StoredEntry[] = [];
  for await (const page of historyOf(history, studioId)) entries.push(...page);
  const ids = [...new Set(entries.flatMap(({ tablet }) => tablet ?? []))];
  const log: LogRow[] = [];
  for await (const page of takeLog.all(studioId)) log.push(...page.map(({ row }) => row));
  return { documents: stored.documents, entries, tablets: await tablets.named(ids), log };
}

/**
 * Works with the data of a backup: with a copy of it that is brought up to date, since it may be from before an
 * upgrade. The backup itself is not touched.
 */
export async function withBackup<T>(file: string, work: (database: Database) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'ft-backup-'));
  try {
    const copy = join(folder, 'copy.sqlite');
    await copyFile(file, copy);
    const database = await openDatabase(copy);
    try {
      return await work(database);
    } finally {
      await database.close();
    }
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

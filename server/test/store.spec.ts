import { rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { SALTGLASS_PLACE, saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import { seeded } from '../../core/test/fixtures/seeded';
import type { StackEntry } from '@ft/core/edits/undoStack';
import { undoStacks } from '@ft/core/edits/undoStack';
import { writeBundle } from '@ft/core/formats/bundle';
import { removeThreadEdits } from '@ft/core/actions/track/threadEdits';
import type { Studio } from '@ft/core/session/studioSchema';
import { storesOf } from '../src/archive/wholeStudios';
import type { Database } from '../src/database/openDatabase';
import { openDatabase } from '../src/database/openDatabase';
import type { HistoryStore } from '../src/history/historyStore';
import type { StoredEntry } from '../src/history/storedEntry';
import { acceptOrder } from '../src/studios/acceptance';
import { documentsOf, studioOf } from '../src/studios/documents';
import type { StudioStore } from '../src/studios/studioStore';
import { StaleWrite } from '../src/studios/staleWrite';
import { emptyFolder, TEST_TIME } from './helpers';

const demo = saltglassRooms();
const file = join(emptyFolder(), 'studios.sqlite');
let database: Database;
let store: StudioStore;
let history: HistoryStore;

beforeEach(async () => {
  database = await openDatabase(file);
  ({ store, history } = storesOf(database));
  await store.remove(demo.id);
  await store.create(documentsOf(demo), TEST_TIME);
});
afterEach(() => database.close());
afterAll(() => {
  rmSync(dirname(file), { recursive: true });
});

function made(studio: Studio, revision: number) {
  const edits = removeThreadEdits(studio, SALTGLASS_PLACE, 'line-1' as never);
  const change = { id: `change-${String(revision)}-x`, label: 'Remove line 1', edits: [...edits] };
  const result = acceptOrder(studio, revision, {
    change,
    making: { author: 'desk', at: TEST_TIME },
    ticksOnly: false,
  });
  if (!result.ok) throw new Error('this change applies');
  return result;
}

describe('the store', () => {
  it('gives back what was put in, after the file was closed and opened again', async () => {
    const { after, write, entry } = made(demo, 0);
    await store.append(demo.id, (await store.standing(demo.id))!, write, entry);
    await database.close();
    database = await openDatabase(file);
    const reopened = storesOf(database);
    const read = await reopened.store.read(demo.id);
    expect(read?.revision).toBe(1);
    expect(read && writeBundle(studioOf(read.documents))).toBe(writeBundle(after));
    expect(await reopened.history.since(demo.id, 0, 10)).toEqual([entry]);
  });

  it('stores a change whole or not at all', async () => {
    const { write, entry } = made(demo, 0);
    await store.append(demo.id, (await store.standing(demo.id))!, write, entry);
    const standing = (await store.standing(demo.id))!;
    // The same line again breaks a key of the history: the document must not move either.
    const again = { ...write, name: 'Half stored' };
    await expect(store.append(demo.id, standing, again, { ...entry, revision: 1 })).rejects.toThrow();
    const read = await store.read(demo.id);
    expect(read?.documents.name).toBe('Saltglass Rooms');
    expect(read?.revision).toBe(1);
  });

  it('refuses what was worked out from a studio that has changed since, or is another one', async () => {
    const { write, entry } = made(demo, 0);
    const before = (await store.standing(demo.id))!;
    await store.append(demo.id, before, write, entry);
    const late = { ...entry, change: 'change-late-x', revision: 1 };
    await expect(store.append(demo.id, before, write, late)).rejects.toThrow(StaleWrite);
    await store.remove(demo.id);
    await store.create(documentsOf(demo), TEST_TIME);
    await expect(store.append(demo.id, before, write, late)).rejects.toThrow(StaleWrite);
    expect((await store.standing(demo.id))?.revision).toBe(0);
  });

  it('keeps nothing of a studio that was removed', async () => {
    const { write, entry } = made(demo, 0);
    await store.append(demo.id, (await store.standing(demo.id))!, write, entry);
    expect(await store.remove(demo.id)).toBe(true);
    expect(await store.remove(demo.id)).toBe(false);
    const { sessions, entries } = database.models;
    expect([await sessions.count(), await entries.count()]).toEqual([0, 0]);
  });

  it('drops a session that a change took out', async () => {
    const { write, entry } = made(demo, 0);
    const without = { ...write, sessions: [], gone: demo.sessions.map(({ id }) => id) };
    await store.append(demo.id, (await store.standing(demo.id))!, without, entry);
    expect(await database.models.sessions.count()).toBe(0);
  });

  it('writes ahead and flushes every commit, on every connection', async () => {
    const pragma = async (name: string, transaction?: unknown): Promise<unknown> =>
      (await database.sequelize.query(`PRAGMA ${name}`, { transaction: transaction as never }))[0];
    expect(await pragma('journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await pragma('synchronous')).toEqual([{ synchronous: 2 }]);
    await database.write(async (transaction) => {
      // 2 is FULL. The library's own connection for a transaction used to be left at the default.
      expect(await pragma('synchronous', transaction)).toEqual([{ synchronous: 2 }]);
      expect(await pragma('foreign_keys', transaction)).toEqual({ foreign_keys: 1 });
      expect(await pragma('busy_timeout', transaction)).toEqual([{ timeout: 20_000 }]);
    });
  });
});

describe('what undo and redo would take next', () => {
  /** Random changes, undos (also of others', also of old ones) and redos by three people. */
  async function randomHistory(seed: number): Promise<readonly StackEntry[]> {
    const dice = seeded(seed);
    const lines: StoredEntry[] = [];
    for (let revision = 1; revision <= 60; revision++) {
      const author = dice.pick(['ada', 'bo', 'cy']);
      const kind = dice.roll();
      const { undo, redo } = await history.undoState(demo.id, author);
      const any = lines.length === 0 ? undefined : dice.pick(lines).revision;
      const undoes = kind < 0.3 ? undo?.revision : kind < 0.4 ? any : undefined;
      const redoes = kind >= 0.4 && kind < 0.6 ? redo?.revision : undefined;
      const entry: StoredEntry = {
        ...{ revision, change: `change-${String(revision)}`, label: `Line ${String(revision)}`, author },
        ...{ at: TEST_TIME, edits: '[]', inverse: '[]', editCount: 0 },
        ...(undoes !== undefined && { undoes }),
        ...(redoes !== undefined && { redoes }),
      };
      lines.push(entry);
      await database.write((transaction) => history.append(demo.id, entry, transaction));
    }
    return lines;
  }

  it.each([1, 2, 3, 4, 5, 6])('is what the whole history says (seed %i)', async (seed) => {
    const lines = await randomHistory(seed);
    for (const author of ['ada', 'bo', 'cy']) {
      const { done, undone } = undoStacks(lines, author);
      const state = await history.undoState(demo.id, author);
      expect([state.undo?.revision, state.redo?.revision]).toEqual([done.at(-1), undone.at(-1)]);
    }
  });

  it('is asked for as the one row it is', async () => {
    const asked: string[] = [];
    const heard = await openDatabase(file, { logging: (sql) => asked.push(sql) });
    asked.length = 0;
    await storesOf(heard).history.undoState(demo.id, 'ada');
    await heard.close();
    asked.splice(2);
    expect(asked).toHaveLength(2);
    for (const sql of asked) expect(sql).toMatch(/LIMIT 1;$/);
  });

  it('is found by one look into an index, and so is a page of the history', async () => {
    const plan = async (sql: string): Promise<string> => {
      const [rows] = await database.sequelize.query(`EXPLAIN QUERY PLAN ${sql}`);
      return (rows as { detail: string }[]).map(({ detail }) => detail).join('; ');
    };
    const stack = await plan(
      "SELECT revision FROM entries WHERE studioId = 'a' AND author = 'b' AND stack = 'done' ORDER BY revision DESC LIMIT 1",
    );
    expect(stack).toContain('entries_on_stack (studioId=? AND author=? AND stack=?)');
    const page = await plan(
      "SELECT revision FROM entries WHERE studioId = 'a' AND revision < 9 ORDER BY revision DESC LIMIT 201",
    );
    expect(page).toMatch(/SEARCH entries USING .*\(studioId=\? AND revision<\?\)/);
    // Neither sorts, nor goes through all lines.
    expect(stack + page).not.toMatch(/SCAN|TEMP B-TREE/);
  });
});

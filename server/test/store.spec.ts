import { rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Sequelize } from 'sequelize';
import { SALTGLASS_PLACE, saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import type { Entry } from '@ft/core/edits/ledger';
import { accept } from '@ft/core/edits/ledger';
import { writeBundle } from '@ft/core/formats/bundle';
import { removeThreadEdits } from '@ft/core/plan/threadEdits';
import type { Studio } from '@ft/core/session/studioSchema';
import { openDatabase } from '../src/database';
import { EntryRow, SessionRow } from '../src/models';
import { StudioStore } from '../src/studioStore';
import { emptyFolder, TEST_TIME } from './helpers';

const demo = saltglassRooms();
const file = join(emptyFolder(), 'studios.sqlite');
let sequelize: Sequelize;
let store: StudioStore;

beforeEach(async () => {
  sequelize = await openDatabase(file);
  store = new StudioStore(sequelize);
  await store.remove(demo.id);
  await store.create(demo, TEST_TIME);
});
afterEach(() => sequelize.close());
afterAll(() => {
  rmSync(dirname(file), { recursive: true });
});

function made(studio: Studio, revision: number): { readonly studio: Studio; readonly entry: Entry } {
  const edits = removeThreadEdits(studio, SALTGLASS_PLACE, 'line-1' as never);
  const change = { id: `change-${String(revision)}-x`, label: 'Remove line 1', edits: [...edits] };
  const result = accept(studio, revision, change, { author: 'desk', at: TEST_TIME });
  if (!result.ok) throw new Error('this change applies');
  return result;
}

describe('the store', () => {
  it('gives back what was put in, after the file was closed and opened again', async () => {
    const { studio, entry } = made(demo, 0);
    await store.append(demo, studio, entry);
    await sequelize.close();
    sequelize = await openDatabase(file);
    const reopened = new StudioStore(sequelize);
    const read = await reopened.read(demo.id);
    expect(read?.revision).toBe(1);
    expect(read && writeBundle(read.studio)).toBe(writeBundle(studio));
    expect(await reopened.entriesSince(demo.id, 0)).toEqual([entry]);
  });

  it('stores a change whole or not at all', async () => {
    const { studio, entry } = made(demo, 0);
    await store.append(demo, studio, entry);
    // The same revision again breaks the key of the history: the document must not move either.
    await expect(store.append(studio, { ...studio, name: 'Half stored' }, entry)).rejects.toThrow();
    const read = await store.read(demo.id);
    expect(read?.studio.name).toBe('Saltglass Rooms');
    expect(read?.revision).toBe(1);
  });

  it('keeps nothing of a studio that was removed', async () => {
    const { studio, entry } = made(demo, 0);
    await store.append(demo, studio, entry);
    expect(await store.remove(demo.id)).toBe(true);
    expect(await store.remove(demo.id)).toBe(false);
    expect([await SessionRow.count(), await EntryRow.count()]).toEqual([0, 0]);
  });

  it('drops a session that a change took out', async () => {
    const after = { ...demo, sessions: [] };
    await store.append(demo, after, { ...made(demo, 0).entry });
    expect(await SessionRow.count()).toBe(0);
  });

  it('writes ahead and flushes every commit', async () => {
    const pragma = async (name: string): Promise<unknown> => (await sequelize.query(`PRAGMA ${name}`))[0];
    expect(await pragma('journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await pragma('synchronous')).toEqual([{ synchronous: 2 }]);
  });
});

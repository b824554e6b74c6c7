import { rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { Sequelize } from 'sequelize';
import { SALTGLASS_PLACE, saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import type { Entry } from '@ft/core/edits/ledger';
import { accept } from '@ft/core/edits/ledger';
import { writeBundle } from '@ft/core/formats/bundle';
import { removeThreadEdits } from '@ft/core/plan/threadEdits';
import type { Studio } from '@ft/core/session/studioSchema';
import { openDatabase } from '../src/database';
import { MIGRATIONS } from '../src/migrations';
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

  it('brings a file of the version before up to date: what was marked as plugged lies on the floor', async () => {
    const older = new Sequelize({
      dialect: 'sqlite',
      storage: join(dirname(file), 'older.sqlite'),
      logging: false,
    });
    const tables = older.getQueryInterface();
    await MIGRATIONS[0]!.up({ context: tables });
    await older.query('CREATE TABLE SequelizeMeta (name VARCHAR(255) PRIMARY KEY)');
    await tables.bulkInsert('SequelizeMeta', [{ name: MIGRATIONS[0]!.name }]);
    const [session] = demo.sessions;
    const scene = session!.scenes[0]!;
    const cords = scene.cords.map((cord, i) => ({ ...cord, plugged: i === 0 }));
    const document = JSON.stringify({ ...session, scenes: [{ ...scene, cords }] });
    const { id, name, rig } = demo;
    await tables.bulkInsert('studios', [
      { id, name, revision: 1, changedAt: TEST_TIME, rig: JSON.stringify(rig) },
    ]);
    await tables.bulkInsert('sessions', [{ studioId: id, id: session!.id, name, document }]);
    const edits = JSON.stringify([
      { type: 'cord.remove', ...SALTGLASS_PLACE, id: cords[0]!.id, was: cords[0] },
    ]);
    const line = { changeId: 'older-change', label: 'Pull', author: 'desk', at: TEST_TIME };
    await tables.bulkInsert('entries', [{ studioId: id, revision: 1, ...line, edits, inverse: '[]' }]);
    await older.close();

    const newer = await openDatabase(join(dirname(file), 'older.sqlite'));
    const reopened = new StudioStore(newer);
    const { from, to, stock } = scene.cords[0]!;
    const read = await reopened.read(id);
    expect(read?.studio).toEqual({ ...demo, floor: { ...demo.floor, cords: [{ id: from, to, stock }] } });
    expect((await reopened.entriesSince(id, 0))[0]!.edits).toEqual([
      { type: 'cord.remove', ...SALTGLASS_PLACE, id: scene.cords[0]!.id, was: scene.cords[0] },
    ]);
    await newer.close();
    sequelize = await openDatabase(file);
  });
});

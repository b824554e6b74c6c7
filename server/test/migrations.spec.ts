import { copyFileSync, existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Sequelize } from 'sequelize';
import { SALTGLASS_PLACE, saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import { studioOf } from '../src/studios/documents';
import { storesOf } from '../src/archive/wholeStudios';
import { connect } from '../src/database/connection';
import { migrate, NewerData } from '../src/database/migrate';
import { MIGRATIONS } from '../src/database/migrations/migrations';
import { openDatabase } from '../src/database/openDatabase';
import { emptyFolder, startProgram, TEST_TIME } from './helpers';

const demo = saltglassRooms();
const scene = demo.sessions[0]!.scenes[0]!;
const folder = emptyFolder();
afterAll(() => {
  rmSync(folder, { recursive: true });
});

const silent = (): void => undefined;

/** A data base as the version that ended with a migration left it, with a studio, its history and a tablet. */
async function shipped(file: string, upTo: number): Promise<Sequelize> {
  const sequelize = await connect(file);
  await migrate(sequelize, MIGRATIONS.slice(0, upTo), silent);
  const tables = sequelize.getQueryInterface();
  const { id, name, rig } = demo;
  const cords = scene.cords.map((cord, i) => ({ ...cord, ...(upTo < 2 && { plugged: i === 0 }) }));
  const sessions = demo.sessions.map((session) => ({ ...session, scenes: [{ ...scene, cords }] }));
  const floor = JSON.stringify({ ...demo.floor, cords: [plugOf(scene.cords[0]!)] });
  await tables.bulkInsert('studios', [
    {
      ...{ id, name, revision: 3, changedAt: TEST_TIME, rig: JSON.stringify(rig) },
      ...(upTo >= 2 && { floor }),
      ...(upTo >= 5 && { incarnation: 'as it was' }),
    },
  ]);
  await tables.bulkInsert(
    'sessions',
    sessions.map((session) => ({ studioId: id, id: session.id, name, document: JSON.stringify(session) })),
  );
  const was = cords[0];
  const edit = JSON.stringify([{ type: 'cord.remove', ...SALTGLASS_PLACE, id: was!.id, was }]);
  const line = { studioId: id, at: TEST_TIME, author: 'desk', edits: edit, inverse: '[]' };
  const stack = (mark: string | null) => (upTo >= 5 ? { editCount: 1, stack: mark } : {});
  const from = upTo >= 4 ? { tablet: 't1' } : upTo === 3 ? { device: 'Bay tablet' } : {};
  await tables.bulkInsert('entries', [
    { ...line, revision: 1, changeId: 'change-1', label: 'Pull', ...from, ...stack('done') },
    { ...line, revision: 2, changeId: 'change-2', label: 'Pull again', ...stack(null) },
    { ...line, revision: 3, changeId: 'change-3', label: 'Undo: Pull again', undoes: 2, ...stack('undone') },
  ] as never);
  if (upTo >= 3)
    await tables.bulkInsert(upTo >= 4 ? 'tablets' : 'devices', [
      { id: 't1', name: 'Bay tablet', role: 'tick', pairedAt: TEST_TIME, secretHash: 'hash' },
    ]);
  return sequelize;
}

function plugOf({ from, to, stock }: (typeof scene.cords)[number]) {
  return { id: from, to, stock };
}

/** Opens a file as the program does, and says everything that has to hold afterwards. */
async function holdsNow(file: string, upTo: number): Promise<void> {
  const database = await openDatabase(file);
  const { store, history, tablets } = storesOf(database);
  const stored = (await store.read(demo.id))!;
  expect(studioOf(stored.documents)).toEqual({
    ...demo,
    floor: { ...demo.floor, cords: [plugOf(scene.cords[0]!)] },
    sessions: demo.sessions,
  });
  expect(stored.incarnation).toMatch(/./);
  const [first] = await history.since(demo.id, 0, 10);
  expect(JSON.parse(first!.edits)).toEqual([
    { type: 'cord.remove', ...SALTGLASS_PLACE, id: scene.cords[0]!.id, was: scene.cords[0] },
  ]);
  expect(first!.editCount).toBe(1);
  expect(await history.undoState(demo.id, 'desk')).toEqual({
    undo: { revision: 1, label: 'Pull' },
    redo: { revision: 3, label: 'Pull again' },
  });
  if (upTo >= 3) {
    expect((await tablets.list()).map(({ name }) => name)).toEqual(['Bay tablet']);
    expect((await history.page(demo.id, 2, 1, 'desk'))[0]).toMatchObject({
      tablet: 'Bay tablet',
      mine: true,
    });
  }
  await database.close();
}

const copyOf = (file: string, name: string): string => {
  const to = join(folder, name, 'studios.sqlite');
  mkdirSync(join(folder, name), { recursive: true });
  copyFileSync(file, to);
  if (existsSync(`${file}-wal`)) copyFileSync(`${file}-wal`, `${to}-wal`);
  return to;
};

/** Every version of the tables that people have. */
const SHIPPED = [1, 2, 3, 4, 5, 6];

describe.each(SHIPPED)('data as the tables stood after migration %i', (upTo) => {
  const file = join(folder, `shipped-${String(upTo)}.sqlite`);
  beforeAll(async () => {
    await (await shipped(file, upTo)).close();
  });

  it('is brought up to date', () => holdsNow(copyOf(file, `whole-${String(upTo)}`), upTo));

  it('survives being killed at any statement of the upgrade', async () => {
    // What a killed process leaves behind is what the files hold at that moment.
    const running = copyOf(file, `running-${String(upTo)}`);
    const moments: string[] = [];
    const database = await openDatabase(running, {
      logging: () => moments.push(copyOf(running, `killed-${String(upTo)}-${String(moments.length)}`)),
    });
    await database.close();
    expect(moments.length).toBeGreaterThan(upTo === 6 ? 2 : 8);
    for (const moment of moments) await holdsNow(moment, upTo);
  });
});

describe('an upgrade that the version before left half done', () => {
  it.each([
    [
      'the column was there and not written down',
      ["ALTER TABLE studios ADD COLUMN floor TEXT NOT NULL DEFAULT '{}'"],
    ],
    [
      'the floors were worked out, and one session lifted',
      [
        "ALTER TABLE studios ADD COLUMN floor TEXT NOT NULL DEFAULT '{}'",
        `UPDATE studios SET floor = '${JSON.stringify({ ...demo.floor, cords: [plugOf(scene.cords[0]!)] })}'`,
        `UPDATE sessions SET document = replace(document, ',"plugged":true', '')`,
      ],
    ],
  ])('goes on where it stopped: %s', async (name, statements) => {
    const file = join(folder, `${name.slice(0, 12).trim()}.sqlite`);
    const sequelize = await shipped(file, 1);
    for (const sql of statements) await sequelize.query(sql);
    await sequelize.close();
    await holdsNow(file, 1);
  });

  it('goes on where tables were made and not written down', async () => {
    const file = join(folder, 'tables.sqlite');
    const sequelize = await shipped(file, 3);
    await sequelize.query("DELETE FROM SequelizeMeta WHERE name LIKE '0003%'");
    await sequelize.close();
    await holdsNow(file, 3);
  });
});

describe('before an upgrade', () => {
  it('a verified copy is made, and said', async () => {
    const home = emptyFolder();
    await (await shipped(join(home, 'studios.sqlite'), 2)).close();
    const program = await startProgram({ folder: home });
    expect(program.said[0]).toBe('The data is of an older version and is brought up to date (6 steps).');
    const [copy] = readdirSync(join(home, 'backups'));
    expect(copy).toMatch(/before-upgrade\.sqlite$/);
    expect(program.said[1]).toContain(copy);
    const before = await connect(join(home, 'backups', copy!));
    const [tables] = await before.query(
      "SELECT name FROM sqlite_master WHERE name IN ('devices', 'tablets')",
    );
    expect(tables).toEqual([]);
    await before.close();
    await program.close();
  });

  it('none is made of new data', async () => {
    const program = await startProgram();
    expect(existsSync(join(program.folder, 'backups'))).toBe(false);
    expect(program.said).toEqual([]);
    await program.close();
  });

  it('data of a newer version is not touched', async () => {
    const file = join(folder, 'newer.sqlite');
    const sequelize = await shipped(file, 6);
    await sequelize.getQueryInterface().bulkInsert('SequelizeMeta', [{ name: '0099-of-tomorrow' }]);
    await sequelize.close();
    await expect(openDatabase(file)).rejects.toThrow(NewerData);
  });

  it('a migration that fails leaves nothing behind', async () => {
    const file = join(folder, 'failing.sqlite');
    const sequelize = await shipped(file, 6);
    const failing = {
      name: '0007-failing',
      async up({ tables, transaction }: Parameters<(typeof MIGRATIONS)[number]['up']>[0]) {
        await tables.sequelize.query('ALTER TABLE studios ADD COLUMN half TEXT', { transaction });
        throw new Error('in the middle');
      },
    };
    await expect(migrate(sequelize, [...MIGRATIONS, failing], silent)).rejects.toThrow('in the middle');
    const [columns] = await sequelize.query('PRAGMA table_info(studios)');
    expect((columns as { name: string }[]).map(({ name }) => name)).not.toContain('half');
    await sequelize.close();
  });
});

import { StudioStore } from '../src/studios/studioStore';
import { HistoryStore } from '../src/history/historyStore';
import type { TestProgram } from './helpers';
import { DEMO, performerChange, putSmallDemo, startProgram } from './helpers';

let program: TestProgram;

beforeEach(async () => {
  program = await startProgram();
  await putSmallDemo(program);
});
afterEach(async () => {
  jest.restoreAllMocks();
  await program.close();
});

const change = (value: string, was: string, author = 'desk') =>
  program.api.post(`${DEMO}/changes`).send(performerChange(value, was, author));

/** The next read of the store waits until it is let go; what it gives is from before that. */
function slowRead(): { letGo(): void } {
  let letGo = (): void => undefined;
  const gate = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  const real = StudioStore.prototype.read;
  jest.spyOn(StudioStore.prototype, 'read').mockImplementationOnce(async function (this: StudioStore, id) {
    const found = await real.call(this, id);
    await gate;
    return found;
  });
  return { letGo };
}

describe('a studio in memory', () => {
  it('is never put back to what a slow reader saw', async () => {
    const read = slowRead();
    const reading = program.program.keeper.read('saltglass-rooms').then((at) => at?.revision);
    await change('Ada', 'Imke Tarrow').expect(200);
    read.letGo();
    expect(await reading).toBe(0);
    // The old document used to stand in memory from here on, and every edit was answered 500.
    await change('Bo', 'Ada').expect(200);
    const { body } = await program.api.get(DEMO).expect(200);
    expect((body as { revision: number }).revision).toBe(2);
  });

  it('is never one that was removed while it was read', async () => {
    const read = slowRead();
    const reading = program.program.keeper.read('saltglass-rooms');
    await program.api.delete(DEMO).expect(204);
    read.letGo();
    await reading;
    await program.api.get(DEMO).expect(404);
    await change('Ada', 'Imke Tarrow').expect(404);
  });

  it('is read anew after a write failed', async () => {
    const append = jest
      .spyOn(StudioStore.prototype, 'append')
      .mockRejectedValueOnce(new Error('SQLITE_IOERR'));
    await change('Ada', 'Imke Tarrow').expect(507);
    append.mockRestore();
    await change('Ada', 'Imke Tarrow').expect(200);
  });
});

describe('what the disk did', () => {
  it.each([
    ['SQLITE_FULL', 'disk-full', /The disk is full.*Free some space/],
    ['SQLITE_READONLY', 'disk-read-only', /cannot be written to.*Give this user the right/],
    ['SQLITE_CORRUPT', 'disk-damaged', /is damaged.*sets the damaged file aside/],
    ['SQLITE_NOTADB', 'disk-damaged', /is damaged/],
    ['SQLITE_IOERR', 'disk-failed', /could not be read or written/],
    ['SQLITE_BUSY', 'disk-busy', /Another program holds the data file/],
  ])(
    '%s is told as that, with what was kept and what to do, and is no refusal',
    async (code, told, sentence) => {
      const parent = Object.assign(new Error(code), { code });
      const wrapped = Object.assign(new Error('the library wraps it'), { name: 'DatabaseError', parent });
      jest.spyOn(StudioStore.prototype, 'append').mockRejectedValueOnce(wrapped);
      const { body } = await change('Ada', 'Imke Tarrow').expect(507);
      expect(body).toMatchObject({ code: told });
      const { message } = body as { message: string };
      expect(message).toMatch(sentence);
      expect(message).toMatch(/you did is kept in the window/);
    },
  );

  it('is not told as what we did: a fault of the program says that it is one', async () => {
    jest.spyOn(StudioStore.prototype, 'append').mockRejectedValueOnce(new TypeError('x is not a function'));
    const { body } = await change('Ada', 'Imke Tarrow').expect(500);
    expect(body).toMatchObject({ code: 'internal' });
    expect(JSON.stringify(body)).not.toContain('x is not a function');
  });
});

describe('a change that is stored', () => {
  it('is told to everybody, whatever fails afterwards', async () => {
    const told: number[] = [];
    program.program.keeper.listen({
      entry: (_id, { revision }) => told.push(revision),
      gone: () => undefined,
    });
    jest.spyOn(HistoryStore.prototype, 'undoState').mockRejectedValueOnce(new Error('SQLITE_IOERR'));
    const { body } = await change('Ada', 'Imke Tarrow').expect(200);
    expect(body).not.toHaveProperty('undo');
    expect(told).toEqual([1]);
  });
});

describe('studios', () => {
  it('do not wait for each other', async () => {
    await program.api.post('/api/studios').send({ name: 'Glass Lane' }).expect(201);
    const { body } = await program.api.get('/api/studios/glass-lane').expect(200);
    const { studio } = body as { studio: { name: string } };
    let letGo = (): void => undefined;
    const gate = new Promise<void>((resolve) => {
      letGo = resolve;
    });
    const real = HistoryStore.prototype.entryOfChange;
    jest.spyOn(HistoryStore.prototype, 'entryOfChange').mockImplementation(async function (
      this: HistoryStore,
      id,
      changeId,
    ) {
      if (id === 'saltglass-rooms') await gate;
      return real.call(this, id, changeId);
    });
    const waiting = change('Ada', 'Imke Tarrow').expect(200);
    const waits = waiting.then(() => 'saltglass');
    const edit = { type: 'studio.set', field: 'name', value: 'Glass Lane 2', was: studio.name };
    const other = await program.api
      .post('/api/studios/glass-lane/changes')
      .send({ author: 'desk', change: { id: 'change-lane', label: 'Name', edits: [edit] } })
      .expect(200);
    expect((other.body as { revision: number }).revision).toBe(1);
    letGo();
    expect(await waits).toBe('saltglass');
  });
});

describe('a change', () => {
  it('meant for the studio that had this id before is refused as that, and not made', async () => {
    const { body } = await program.api.get(DEMO).expect(200);
    const { incarnation } = body as { incarnation: string };
    const mine = { ...performerChange('Ada', 'Imke Tarrow'), incarnation };
    await program.api.delete(DEMO).expect(204);
    await program.api.post('/api/studios/demo').expect(201);
    const refused = await program.api.post(`${DEMO}/changes`).send(mine).expect(409);
    expect(refused.body).toMatchObject({ code: 'replaced' });
    const now = await program.api.get(DEMO).expect(200);
    expect(now.body).toMatchObject({ revision: 0 });
  });

  it('whose id was used for another one is refused', async () => {
    const first = performerChange('Ada', 'Imke Tarrow') as { change: { id: string } };
    await program.api.post(`${DEMO}/changes`).send(first).expect(200);
    const second = performerChange('Bo', 'Ada') as { change: { id: string } };
    const clash = { ...second, change: { ...second.change, id: first.change.id } };
    const { body } = await program.api.post(`${DEMO}/changes`).send(clash).expect(409);
    expect(body).toMatchObject({ code: 'change-id-taken' });
  });

  it('taken back twice under one id is taken back once', async () => {
    await change('Ada', 'Imke Tarrow').expect(200);
    await change('Bo', 'Ada').expect(200);
    const undo = { author: 'desk', change: 'undo-once-x' };
    const first = await program.api.post(`${DEMO}/undo`).send(undo).expect(200);
    const again = await program.api.post(`${DEMO}/undo`).send(undo).expect(200);
    expect(again.body).toMatchObject({ revision: (first.body as { revision: number }).revision });
  });

  it('is answered with what undo would take next', async () => {
    const { body } = await change('Ada', 'Imke Tarrow').expect(200);
    expect(body).toMatchObject({ undo: { undo: { revision: 1, label: 'Performer Ada' } } });
  });

  it('of very many edits is made beside the server, and undone there too', async () => {
    const rooms = Array.from({ length: 150 }, (_, i) => ({
      type: 'room.add',
      item: { id: `room-${String(i)}`, name: `Room ${String(i)}` },
    }));
    const labels = Array.from({ length: 400 }, (_, i) => ({
      type: 'room.set',
      ...{ id: `room-${String(i % 150)}`, field: 'name' },
      value: `Room ${String(i)}x`,
      was: i < 150 ? `Room ${String(i)}` : `Room ${String(i - 150)}x`,
    }));
    const many = { id: 'change-many-x', label: 'Many', edits: [...rooms, ...labels] };
    const { body } = await program.api
      .post(`${DEMO}/changes`)
      .send({ author: 'desk', change: many })
      .expect(200);
    expect((body as { edits: unknown[] }).edits).toHaveLength(550);
    await change('Ada', 'Imke Tarrow').expect(200);
    await program.api
      .post(`${DEMO}/undo`)
      .send({ author: 'desk', change: 'undo-many-x', revision: 1 })
      .expect(200);
    const { body: now } = await program.api.get(DEMO).expect(200);
    expect((now as { studio: { rig: { rooms: unknown[] } } }).studio.rig.rooms).toHaveLength(3);
  });
});

describe('the history', () => {
  it('comes in pages, newest first', async () => {
    const rows = Array.from({ length: 450 }, (_, i) => ({
      ...{
        studioId: 'saltglass-rooms',
        revision: i + 1,
        changeId: `change-${String(i)}`,
        label: `L${String(i + 1)}`,
      },
      ...{
        author: i % 2 === 0 ? 'desk' : 'booth',
        at: '2026-03-01',
        edits: '[]',
        inverse: '[]',
        editCount: 3,
      },
    }));
    await program.program.database.models.entries.bulkCreate(rows);
    const page = async (query: string) =>
      (await program.api.get(`${DEMO}/history?author=desk${query}`).expect(200)).body as {
        entries: { revision: number; mine: boolean; editCount: number }[];
        more: boolean;
      };
    const first = await page('');
    expect(first.entries).toHaveLength(200);
    expect(first.entries[0]).toMatchObject({ revision: 450, mine: false, editCount: 3 });
    expect(first.more).toBe(true);
    const last = await page('&before=51');
    expect(last.entries.map(({ revision }) => revision)).toEqual(
      Array.from({ length: 50 }, (_, i) => 50 - i),
    );
    expect(last.more).toBe(false);
  });
});

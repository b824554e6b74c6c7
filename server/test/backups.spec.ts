import { existsSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Backup, Backups as BackupsMessage, Status } from '@ft/contract/status';
import { Backups, backupTrouble } from '../src/database/backups';
import { BackupSchedule } from '../src/database/backupSchedule';
import { NO_LOG } from '../src/log/log';
import { outlived } from '../src/database/retention';
import { soundnessOf } from '../src/database/soundness';
import type { TestProgram } from './helpers';
import { DEMO, emptyFolder, performerChange, putSmallDemo, startProgram } from './helpers';

let program: TestProgram;

beforeEach(async () => {
  program = await startProgram();
  await putSmallDemo(program);
});
afterEach(async () => {
  jest.restoreAllMocks();
  await program.close();
});

const change = (value: string, was: string) =>
  program.api.post(`${DEMO}/changes`).send(performerChange(value, was)).expect(200);

async function backUp(): Promise<Backup> {
  const { body } = await program.api.post('/api/backups').expect(201);
  return (body as BackupsMessage).backups[0]!;
}

const status = async (): Promise<Status> => (await program.api.get('/api/status').expect(200)).body as Status;

describe('a backup', () => {
  it('is a whole data base, made while the program runs', async () => {
    await change('Ada', 'Imke Tarrow');
    const backup = await backUp();
    const file = join(program.folder, 'backups', backup.name);
    expect(await soundnessOf(file, true)).toEqual({ ok: true });
    expect(existsSync(`${file}.part`)).toBe(false);
    expect((await status()).lastBackup).toEqual(backup);
  });

  it('gives a studio back with its history, beside the one that is here', async () => {
    await change('Ada', 'Imke Tarrow');
    const { name } = await backUp();
    await change('Bo', 'Ada');
    const { body: inside } = await program.api.get(`/api/backups/${name}`).expect(200);
    expect(inside).toMatchObject({ studios: [{ id: 'saltglass-rooms', revision: 1 }] });
    const { body } = await program.api.post(`/api/backups/${name}/studios/saltglass-rooms`).expect(201);
    expect(body).toEqual({ id: 'saltglass-rooms-backup-of-2026-03-01' });
    const copy = await program.api.get('/api/studios/saltglass-rooms-backup-of-2026-03-01').expect(200);
    expect(copy.body).toMatchObject({
      revision: 1,
      studio: { name: 'Saltglass Rooms (backup of 2026-03-01)' },
    });
    const now = await program.api.get(DEMO).expect(200);
    expect(now.body).toMatchObject({ revision: 2 });
    // The history came along, and works: the change is undone in the copy.
    const undo = { author: 'desk', change: 'undo-in-copy' };
    await program.api.post('/api/studios/saltglass-rooms-backup-of-2026-03-01/undo').send(undo).expect(200);
  });

  it('gives a studio that was removed back under its own name', async () => {
    const { name } = await backUp();
    await program.api.delete(DEMO).expect(204);
    const { body } = await program.api.post(`/api/backups/${name}/studios/saltglass-rooms`).expect(201);
    expect(body).toEqual({ id: 'saltglass-rooms' });
  });

  it('that is not there, or whose name leads elsewhere, is answered in words', async () => {
    for (const name of ['nothing.sqlite', encodeURIComponent('../studios.sqlite')])
      await program.api.get(`/api/backups/${name}`).expect(404);
  });

  it('is made every day the program runs', async () => {
    const { schedule, backups } = program.program;
    await schedule.makeDaily();
    await schedule.makeDaily();
    expect(await backups.list()).toMatchObject([{ kind: 'daily', at: '2026-03-01T10:00:00.000Z' }]);
    program.clock.now = '2026-03-02T11:00:00.000Z';
    await schedule.makeDaily();
    expect(await backups.list()).toHaveLength(2);
  });

  it('never fills the disk: with little room none is made, and it says so', async () => {
    const file = join(program.folder, 'studios.sqlite');
    const tight = new Backups(file, join(program.folder, 'backups'), () => Promise.resolve(50_000_000));
    const schedule = new BackupSchedule(tight, () => program.clock.now, NO_LOG);
    await schedule.makeDaily();
    expect(schedule.trouble).toMatch(
      /^No backup was made: the disk has 50 MB left, and it needs 10\d MB\. Free some space; the backups that are there stay\.$/,
    );
    await expect(schedule.make()).rejects.toThrow();
    expect(await tight.list()).toEqual([]);
  });

  it.each([
    ['SQLITE_FULL', 'the disk is full'],
    ['SQLITE_CORRUPT', 'the data file is damaged'],
    ['EROFS', 'its folder cannot be written to'],
    ['EIO', 'the disk could not be read or written'],
  ])('that fails with %s says why', (code, why) => {
    expect(backupTrouble(Object.assign(new Error('x'), { code }))).toContain(why);
  });
});

describe('backups that are kept', () => {
  const backup = (at: string, kind: Backup['kind'] = 'daily'): Backup => ({
    name: `${at}${kind}`,
    at,
    kind,
    bytes: 1,
  });
  const days = (from: number, to: number): Backup[] =>
    Array.from({ length: to - from + 1 }, (_, i) =>
      backup(new Date(Date.UTC(2026, 2, to - i, 10)).toISOString()),
    );

  it('are those of the last seven days and of four weeks', () => {
    const all = days(1, 31);
    const gone = new Set(outlived(all));
    const kept = all.filter((each) => !gone.has(each)).map(({ at }) => Number(at.slice(8, 10)));
    // 31 March 2026 is a Tuesday; the Sundays before end their weeks.
    expect(kept).toEqual([31, 30, 29, 28, 27, 26, 25, 22, 15]);
  });

  it('count days that have one, however long ago', () => {
    expect(outlived([backup('2026-03-01T10:00:00Z'), backup('2025-06-01T10:00:00Z')])).toEqual([]);
  });

  it('are, of one day, the last; and three from before upgrades', () => {
    const upgrades = ['04', '03', '02', '01'].map((h) => backup(`2025-01-01T${h}:00:00Z`, 'before-upgrade'));
    const today = [backup('2026-03-01T12:00:00Z', 'asked'), backup('2026-03-01T10:00:00Z')];
    expect(outlived([...today, ...upgrades])).toEqual([today[1], upgrades[3]]);
  });
});

describe('a damaged data file', () => {
  /** Breaks the file in its middle, as a bad disk does. */
  function damage(folder: string, how: 'middle' | 'start'): void {
    const file = join(folder, 'studios.sqlite');
    const bytes = readFileSync(file);
    if (how === 'start') bytes.fill(0x55, 0, 100);
    else bytes.fill(0xa5, bytes.length / 4, bytes.length - 4096);
    writeFileSync(file, bytes);
  }

  it('is set aside, the newest good backup offered, and what is lost between them told', async () => {
    await change('Ada', 'Imke Tarrow');
    const { name } = await backUp();
    await change('Bo', 'Ada');
    await change('Cy', 'Bo');
    program.clock.now = '2026-03-01T12:00:00.000Z';
    await program.stop();
    damage(program.folder, 'middle');
    program = await startProgram({ folder: program.folder });
    expect(program.said.join(' ')).toMatch(
      /is damaged and was set aside in .*set-aside.*newest backup is of 2026-03-01 10:00/,
    );
    const { setAside } = await status();
    expect(setAside).toMatchObject({ backup: { name }, lost: [{ studio: 'Saltglass Rooms', changes: 2 }] });
    expect(existsSync(join(setAside!.folder, 'studios.sqlite'))).toBe(true);
    await program.api.get('/api/studios').expect(200, { studios: [] });
    await program.api.post(`/api/backups/${name}/studios/saltglass-rooms`).expect(201);
    await program.api.delete('/api/set-aside').expect(204);
    expect((await status()).setAside).toBeNull();
  });

  it('that is no data base any more is set aside too; what is lost cannot be told', async () => {
    await backUp();
    await program.stop();
    damage(program.folder, 'start');
    program = await startProgram({ folder: program.folder });
    expect((await status()).setAside).toMatchObject({ reason: 'it is not a data base any more', lost: null });
  });

  it('is told where there is no backup', async () => {
    await program.stop();
    damage(program.folder, 'start');
    program = await startProgram({ folder: program.folder });
    expect(program.said.join(' ')).toContain('There is no backup of it');
    expect((await status()).setAside).toMatchObject({ backup: null });
  });

  it('does not offer a backup that is damaged itself', async () => {
    const good = await backUp();
    program.clock.now = '2026-03-02T10:00:00.000Z';
    const bad = await backUp();
    truncateSync(join(program.folder, 'backups', bad.name), 5000);
    await program.stop();
    damage(program.folder, 'start');
    program = await startProgram({ folder: program.folder });
    expect((await status()).setAside?.backup?.name).toBe(good.name);
  });
});

describe('a data folder', () => {
  it('has one writer: a second program is told which process, and since when', async () => {
    await expect(startProgram({ folder: program.folder })).rejects.toMatchObject({
      by: { pid: process.pid, since: '2026-03-01T10:00:00.000Z' },
    });
    await program.stop();
    program = await startProgram({ folder: program.folder });
  });

  it('that cannot be opened leaves no lock behind', async () => {
    const folder = emptyFolder();
    writeFileSync(join(folder, 'backups'), 'in the way');
    const other = await startProgram({ folder });
    await other.close();
    rmSync(folder, { recursive: true, force: true });
  });
});

import type { ChildProcess } from 'node:child_process';
import { execFileSync, spawn } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo, Server } from 'node:net';
import { join } from 'node:path';
import { cannotStart, CannotStart } from '../src/cannotStart';
import { BadCopy } from '../src/database/snapshot';
import { NoRoom } from '../src/database/backups';
import { connect } from '../src/database/connection';
import { TOKEN_COOKIE, TOKEN_HEADER } from '@ft/contract/token';
import type { Studio } from '@ft/core/session/studioSchema';
import { emptyFolder, performerChange, until } from './helpers';

const MAIN = join(__dirname, '../dist/main.mjs');

/** A port that nothing listens at. */
async function freePort(): Promise<number> {
  const server: Server = createServer().listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  await new Promise((resolve) => server.close(resolve));
  return port;
}

interface Running {
  readonly child: ChildProcess;
  readonly base: string;
  readonly ended: Promise<{ code: number | null; out: string; err: string }>;
  out(): string;
}

const started: ChildProcess[] = [];

/** The program as it ships, on a folder. */
async function run(folder: string, args: readonly string[] = [], port?: number): Promise<Running> {
  const own = port ?? (await freePort());
  const child = spawn(process.execPath, [MAIN, ...args], {
    env: { ...process.env, FT_DATA: folder, PORT: String(own), FT_SHARE_PORT: String(await freePort()) },
  });
  started.push(child);
  let [out, err] = ['', ''];
  child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()));
  child.stderr.on('data', (chunk: Buffer) => (err += chunk.toString()));
  const ended = new Promise<{ code: number | null; out: string; err: string }>((resolve) => {
    child.on('close', (code) => {
      resolve({ code, out, err });
    });
  });
  return { child, base: `http://127.0.0.1:${String(own)}`, ended, out: () => out };
}

async function isUp(program: Running): Promise<void> {
  await until(() => program.out().includes('Faithful Thread is at') || program.child.exitCode !== null);
  expect(program.child.exitCode).toBeNull();
}

const CHANGES = '/api/studios/saltglass-rooms/changes';

/** What a page is given, and shows with whatever changes something. */
async function tokenOf(base: string): Promise<Record<string, string>> {
  const cookies = (await fetch(`${base}/api/health`)).headers.get('set-cookie') ?? '';
  return { [TOKEN_HEADER]: new RegExp(`${TOKEN_COOKIE}=([^;]+)`).exec(cookies)?.[1] ?? '' };
}

const post = (base: string, path: string, body: object, token: Record<string, string>): Promise<Response> =>
  fetch(`${base}${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...token },
    body: JSON.stringify(body),
  });

afterEach(() => {
  for (const child of started.splice(0)) child.kill('SIGKILL');
});

describe('the program', () => {
  it('stops when it is told to: what was accepted is stored, streams end, the log says so', async () => {
    const folder = emptyFolder();
    const program = await run(folder, ['--demo']);
    await isUp(program);
    const stream = await fetch(`${program.base}/api/studios/saltglass-rooms/events`);
    const reader = stream.body!.getReader();
    const token = await tokenOf(program.base);
    const change = await post(program.base, CHANGES, performerChange('Ada', 'Imke Tarrow'), token);
    expect(change.status).toBe(200);
    const ends = (async () => {
      while (!(await reader.read()).done);
      return 'ended';
    })();
    program.child.kill('SIGTERM');
    expect(await ends).toBe('ended');
    expect(await program.ended).toMatchObject({ code: 0, err: '' });
    // Closed properly: everything is in the one file, and nobody holds the folder.
    expect(existsSync(join(folder, 'studios.sqlite-wal'))).toBe(false);
    expect(existsSync(join(folder, 'writer.json'))).toBe(false);
    const log = readFileSync(join(folder, 'log', 'faithful-thread.log'), 'utf8');
    expect(log).toContain('backup made');
    expect(log).not.toMatch(/Imke|Ada|Saltglass|saltglass|lamplighter/i);
    rmSync(folder, { recursive: true });
  });

  it('is the only writer of its folder, and a killed one does not stand in the way', async () => {
    const folder = emptyFolder();
    const first = await run(folder);
    await isUp(first);
    const second = await run(folder);
    const { code, err } = await second.ended;
    expect(code).toBe(1);
    expect(err).toMatch(
      /^The program is already running on .* \(process \d+, since \d{4}-\d\d-\d\d \d\d:\d\d UTC\)\. /,
    );
    expect(err.trim().split('\n')).toHaveLength(1);
    first.child.kill('SIGKILL');
    await first.ended;
    const third = await run(folder);
    await isUp(third);
    third.child.kill('SIGTERM');
    await third.ended;
    rmSync(folder, { recursive: true });
  });

  it('killed in the middle of edits has everything that was acknowledged', async () => {
    const folder = emptyFolder();
    let acknowledged = 'Imke Tarrow';
    for (let round = 1; round <= 2; round++) {
      const program = await run(folder, ['--demo']);
      await isUp(program);
      const headers = await tokenOf(program.base);
      let inFlight = acknowledged;
      let count = 0;
      const edits = (async () => {
        for (let n = 1; ; n++) {
          inFlight = `Take ${String(round)} number ${String(n)}`;
          const body = performerChange(inFlight, acknowledged);
          const made = await post(program.base, CHANGES, body, headers);
          if (made.ok) [acknowledged, count] = [inFlight, count + 1];
        }
      })().catch(() => undefined);
      await until(() => count >= 5 * round);
      program.child.kill('SIGKILL');
      await program.ended;
      await edits;
      const again = await run(folder, ['--demo']);
      await isUp(again);
      const { studio } = (await (await fetch(`${again.base}/api/studios/saltglass-rooms`)).json()) as {
        studio: Studio;
      };
      // The edit on its way when the program died may have made it too; none before it may be missing.
      const performer = studio.sessions[0]!.threads[0]!.performer;
      expect([acknowledged, inFlight]).toContain(performer);
      acknowledged = performer;
      again.child.kill('SIGKILL');
      await again.ended;
    }
    rmSync(folder, { recursive: true });
  });

  it.each<[string, (folder: string) => void | Promise<void>, RegExp]>([
    [
      'a file stands where the folder should be',
      (folder) => {
        rmSync(folder, { recursive: true });
        writeFileSync(folder, 'x');
      },
      /^The data folder .* cannot be used/,
    ],
    [
      'the data is of a newer version',
      async (folder) => {
        const database = await connect(join(folder, 'studios.sqlite'));
        await database.query('CREATE TABLE SequelizeMeta (name VARCHAR(255) PRIMARY KEY)');
        await database.query("INSERT INTO SequelizeMeta VALUES ('0099-of-tomorrow')");
        await database.close();
      },
      /was written by a newer version of the program \(it has “0099-of-tomorrow”\)\. Nothing was changed/,
    ],
  ])('says in a sentence what keeps it from starting: %s', async (_name, prepare, sentence) => {
    const folder = emptyFolder();
    await prepare(folder);
    const { code, err } = await (await run(folder)).ended;
    expect(code).toBe(1);
    expect(err).toMatch(sentence);
    expect(err.trim().split('\n')).toHaveLength(1);
    rmSync(folder, { recursive: true, force: true });
  });

  it('says that a port is taken, and leaves the folder free', async () => {
    const folder = emptyFolder();
    const taken = createServer().listen(0, '127.0.0.1');
    await new Promise((resolve) => taken.once('listening', resolve));
    const { port } = taken.address() as AddressInfo;
    const { code, err } = await (await run(folder, [], port)).ended;
    expect(code).toBe(1);
    expect(err.trim()).toBe(`Port ${String(port)} is in use by another program. Set PORT to another one.`);
    expect(existsSync(join(folder, 'writer.json'))).toBe(false);
    taken.close();
    rmSync(folder, { recursive: true });
  });

  it('refuses a port that is none', async () => {
    const child = spawn(process.execPath, [MAIN], { env: { ...process.env, PORT: 'seven' } });
    const code = await new Promise((resolve) => child.on('close', resolve));
    expect(code).toBe(2);
  });
});

/** A small disk of its own. Throws where this user may not make one. */
function smallDisk(kB: number): string {
  const folder = emptyFolder();
  execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${String(kB)}k`, 'tmpfs', folder], { stdio: 'ignore' });
  return folder;
}

function canMount(): boolean {
  try {
    const disk = smallDisk(64);
    execFileSync('umount', [disk]);
    rmSync(disk, { recursive: true });
    return true;
  } catch {
    return false;
  }
}

// Whoever may not mount looks at the sentence alone, below.
const onSmallDisk = canMount() ? it : it.skip;

describe('a full disk', () => {
  onSmallDisk('keeps a first start from happening, in a sentence', async () => {
    const disk = smallDisk(64);
    try {
      const { code, err } = await (await run(disk)).ended;
      expect(code).toBe(1);
      expect(err).toMatch(
        /^The disk that holds .* is full, so the program cannot start\. Nothing that was stored is lost/,
      );
      expect(err.trim().split('\n')).toHaveLength(1);
    } finally {
      execFileSync('umount', [disk]);
      rmSync(disk, { recursive: true });
    }
  });
});

describe('a disk that fills up later', () => {
  onSmallDisk(
    'keeps nobody from looking; changes are refused for the moment, and go on when there is room',
    async () => {
      const disk = smallDisk(8192);
      try {
        const program = await run(disk, ['--demo']);
        await isUp(program);
        try {
          writeFileSync(join(disk, 'ballast'), Buffer.alloc(16_000_000));
        } catch {
          // Full, to the last block.
        }
        expect((await fetch(`${program.base}/api/studios/saltglass-rooms`)).status).toBe(200);
        const token = await tokenOf(program.base);
        const answers: { code?: string; message?: string }[] = [];
        // A few changes fit into what the write-ahead log has reserved.
        let was = 'Imke Tarrow';
        await until(async () => {
          const value = `${was.slice(0, 10)}x${String(answers.length)}`;
          const answer = await post(program.base, CHANGES, performerChange(value, was), token);
          answers.push((await answer.json()) as object);
          if (answer.ok) was = value;
          return answer.status === 507 || answers.length > 2000;
        });
        expect(answers.at(-1)).toMatchObject({ code: 'disk-full' });
        expect(answers.at(-1)!.message).toContain('what you did is kept in the window');
        rmSync(join(disk, 'ballast'));
        const again = await post(program.base, CHANGES, performerChange('Bo', was), token);
        expect(again.status).toBe(200);
        program.child.kill('SIGTERM');
        expect(await program.ended).toMatchObject({ code: 0, err: '' });
      } finally {
        for (const child of started) child.kill('SIGKILL');
        await until(() => started.every(({ exitCode, signalCode }) => (exitCode ?? signalCode) !== null));
        execFileSync('umount', [disk]);
        rmSync(disk, { recursive: true });
      }
    },
  );
});

describe('what keeps the program from starting', () => {
  it.each([
    ['ENOSPC', /is full, so the program cannot start/],
    ['SQLITE_FULL', /is full, so the program cannot start/],
    ['SQLITE_READONLY', /cannot be written to/],
    ['EACCES', /cannot be written to/],
    ['SQLITE_CORRUPT', /is damaged and could not be set aside/],
    ['ENOTDIR', /cannot be used/],
    ['SQLITE_BUSY', /Another program holds a file/],
  ])('%s is put into words', (code, sentence) => {
    const said = cannotStart(Object.assign(new Error('x'), { code }), '/data') as CannotStart;
    expect(said).toBeInstanceOf(CannotStart);
    expect(said.message).toMatch(sentence);
    expect(said.message).toContain('/data');
  });

  it('is said where no copy could be made before an upgrade', () => {
    for (const error of [new NoRoom(2, 1), new BadCopy('x')])
      expect((cannotStart(error, '/data') as CannotStart).message).toContain(
        'no copy of it could be made before',
      );
  });

  it('stays an error where it is a fault of the program', () => {
    const fault = new TypeError('x is not a function');
    expect(cannotStart(fault, '/data')).toBe(fault);
  });
});

describe('a folder that cannot be written to', () => {
  // Whoever is root can write everywhere.
  (process.getuid?.() === 0 ? it.skip : it)('is said', async () => {
    const folder = join(emptyFolder(), 'locked');
    mkdirSync(folder);
    chmodSync(folder, 0o500);
    const { err } = await (await run(folder)).ended;
    expect(err).toMatch(/cannot be written to/);
    chmodSync(folder, 0o700);
  });
});

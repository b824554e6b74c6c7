import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { LogAnswer, LogPage } from '@ft/contract/takeLog';
import type { LogOp, LogRow, Note, Take } from '@ft/core/takes/logRows';
import { readArchive } from '../src/archive/readArchive';
import { ft } from '../src/cli/ft';
import { logOf, noteAt, overAt, takeAt } from '../../core/test/fixtures/logOf';
import { seedCount } from '../../core/test/fixtures/seeds';
import { seeded } from '../../core/test/fixtures/seeded';
import type { TestProgram } from './helpers';
import { DEMO, emptyFolder, putSmallDemo, startProgram, until } from './helpers';

const LOG = `${DEMO}/sessions/lamplighters-ledger/log`;
let program: TestProgram;

beforeEach(async () => {
  program = await startProgram();
  await putSmallDemo(program);
});
afterEach(() => program.close());

const ours = <R extends LogRow>(row: R): R => ({ ...row, session: 'lamplighters-ledger' as never });
const add = (row: LogRow): LogOp => ({ op: 'add', row: ours(row) });
const set = (row: LogRow, fields: Record<string, unknown>): LogOp => ({ op: 'set', id: row.id, fields });

async function write(ops: readonly LogOp[], address = LOG): Promise<LogAnswer> {
  const { body } = await program.api.post(address).send({ author: 'desk', ops }).expect(200);
  return body as LogAnswer;
}
async function read(since = 0): Promise<LogPage> {
  const { body } = await program.api.get(`${LOG}?since=${String(since)}`).expect(200);
  return body as LogPage;
}
const first: Take = takeAt('first', 0, overAt(372));
const note = (id: string, s: number, change: Partial<Note> = {}): Note => noteAt(id, first, s, change);

describe('the log of a session', () => {
  it('is written by row, and read on from where one was', async () => {
    const { rows, refused } = await write([add(first), add(note('a', 12))]);
    expect([rows.map(({ seq }) => seq), refused]).toEqual([[1, 2], []]);
    await write([set(note('a', 12), { text: 'chair' })]);
    expect(await read()).toEqual({
      more: false,
      rows: [
        { seq: 1, row: ours(first) },
        { seq: 3, row: ours(note('a', 12, { text: 'chair' })) },
      ],
    });
    expect((await read(2)).rows).toHaveLength(1);
  });

  it('takes what is sent again once', async () => {
    const ops = [add(first), add(note('a', 12))];
    await write(ops);
    expect((await write(ops)).rows.map(({ seq }) => seq)).toEqual([1, 2]);
    expect((await read()).rows).toHaveLength(2);
  });

  it('starts no second take while one runs; what was sent with it is made', async () => {
    await write([add(takeAt('runs', 0))]);
    const answer = await write([add(takeAt('other', 0)), add(noteAt('n', takeAt('runs', 0), 4))]);
    expect(answer.refused).toMatchObject([
      { at: 0, code: 'take-running', sentence: expect.stringContaining('Stop it first') },
    ]);
    expect(answer.rows).toHaveLength(1);
  });

  it('refuses a note before its take, one of no take, and one of another session, in words', async () => {
    await write([add(takeAt('late', 60, overAt(90)))]);
    const { refused } = await write([
      add(noteAt('x', takeAt('late', 60), 12)),
      add(noteAt('y', takeAt('nowhere', 0), 12)),
      { op: 'add', row: { ...first, session: 'another' as never } },
    ]);
    expect(refused.map(({ code }) => code)).toEqual(['before-start', 'no-take', 'misfit']);
  });

  it('of a session or studio that is not there is answered in words, and what does not fit with its place', async () => {
    await program.api
      .post(LOG.replace('lamplighters-ledger', 'nowhere'))
      .send({ author: 'desk', ops: [add(first)] })
      .expect(404);
    await program.api.get('/api/studios/nowhere/sessions/x/log').expect(404);
    const { body } = await program.api
      .post(LOG)
      .send({ author: 'desk', ops: [{ op: 'add', row: { ...ours(first), number: 0 } }] })
      .expect(400);
    expect(JSON.stringify(body)).toContain('ops');
    expect((await read()).rows).toEqual([]);
  });

  it('is no change of the studio, and goes with it', async () => {
    await write([add(first)]);
    const { body } = await program.api.get(DEMO).expect(200);
    expect((body as { revision: number }).revision).toBe(0);
    await program.api.delete(DEMO).expect(204);
    await putSmallDemo(program);
    expect((await read()).rows).toEqual([]);
  });
});

describe('other windows', () => {
  it('hear of every row at once', async () => {
    const server = await new Promise<Server>((resolve) => {
      const started = program.app.listen(0, '127.0.0.1', () => {
        resolve(started);
      });
    });
    const abort = new AbortController();
    const { port } = server.address() as AddressInfo;
    const stream = await fetch(`http://127.0.0.1:${String(port)}${DEMO}/events?since=0&author=other`, {
      signal: abort.signal,
    });
    const reader = stream.body!.getReader();
    let heard = '';
    const hearing = (async () => {
      for (;;) {
        const { value, done } = await reader.read();
        if (done) return;
        heard += new TextDecoder().decode(value);
      }
    })().catch(() => undefined);
    await write([add(first)]);
    await until(() => heard.includes('event: log'));
    expect(heard).toContain('"session":"lamplighters-ledger"');
    abort.abort();
    await hearing;
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
  });
});

describe('two windows that write at once, one of which keeps losing its answers', () => {
  it('lose no note, and make none twice', async () => {
    const dice = seeded(11);
    const count = seedCount(400, 10_000);
    await write([add(first)]);
    const all = Array.from({ length: count }, (_, i) => add(note(`n-${String(i)}`, dice.below(370))));
    const send = async (ops: readonly LogOp[], losesAnswers: boolean): Promise<void> => {
      for (let at = 0; at < ops.length;) {
        const sent = ops.slice(at, at + 1 + dice.below(80));
        await write(sent);
        // An answer that is lost is no answer: the same is sent again, with more behind it.
        if (!losesAnswers || dice.chance(0.5)) at += sent.length;
      }
    };
    await Promise.all([
      send(
        all.filter((_, i) => i % 2 === 0),
        false,
      ),
      send(
        all.filter((_, i) => i % 2 === 1),
        true,
      ),
    ]);
    const found: LogRow[] = [];
    for (let since = 0; ;) {
      const { rows, more } = await read(since);
      found.push(...rows.map(({ row }) => row));
      since = rows.at(-1)?.seq ?? since;
      if (!more) break;
    }
    expect(found).toHaveLength(count + 1);
    expect(new Set(found.map(({ id }) => id)).size).toBe(count + 1);
  });
});

describe('an archive', () => {
  const file = async (): Promise<Buffer> => {
    const { body } = await program.api
      .get('/api/archive')
      .buffer(true)
      .parse((response, done) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () => {
          done(null, Buffer.concat(chunks));
        });
      });
    return body as Buffer;
  };

  it('takes the log along, and brings it back beside what is here', async () => {
    const rows = [first, note('a', 12, { about: 'late', text: 'bow' }), note('b', 40)];
    await write(rows.map(add));
    const archive = await file();
    const { body } = await program.api
      .post('/api/archives')
      .set('Content-Type', 'application/zip')
      .send(archive)
      .expect(201);
    const [id] = (body as { ids: string[] }).ids;
    const there = await program.api
      .get(`/api/studios/${id!}/sessions/lamplighters-ledger/log?since=0`)
      .expect(200);
    expect((there.body as LogPage).rows.map(({ row }) => row)).toEqual(rows.map(ours));
  });

  it('without a log has none, and one with a line that is none is refused with its place', async () => {
    const bare = readArchive(await file());
    expect(bare.ok && bare.studios.map(({ log }) => log)).toEqual([[]]);
    await write([add(first)]);
    const files = unzipSync(await file());
    const path = 'studios/saltglass-rooms/log.ndjson';
    const broken = strToU8(`${strFromU8(files[path]!)}{"kind":"take"}\n`);
    const manifest = JSON.parse(strFromU8(files['archive.json']!)) as { checksums: Record<string, string> };
    manifest.checksums[path] = createHash('sha256').update(broken).digest('hex');
    const reading = readArchive(
      zipSync({ ...files, [path]: broken, 'archive.json': strToU8(JSON.stringify(manifest)) }),
    );
    expect(!reading.ok && reading.problems.join()).toMatch(/^studios\/saltglass-rooms\/log\.ndjson line 2: /);
  });

  it('is read by ft log: text, table, labels and JSON', async () => {
    await write([first, note('a', 12, { about: 'late', text: 'bow' })].map(add));
    const folder = emptyFolder();
    const path = join(folder, 'day.thread.zip');
    writeFileSync(path, await file());
    const run = (...args: readonly string[]): { code: number; out: string; err: string } => {
      const [out, err]: [string[], string[]] = [[], []];
      const code = ft(
        ['log', path, ...args],
        (text) => out.push(text),
        (text) => err.push(text),
      );
      return { code, out: out.join('\n'), err: err.join('\n') };
    };
    expect(run().out).toContain('1 take, 1 note, 0 punches; 0:06:12.0 of running');
    expect(run().out).toContain('  0:00:12.0  late, bow');
    expect(run('--csv').out).toContain('note,"Reel 1, take 1",0:00:12.0');
    expect(run('--labels').out).toBe('0.000000\t372.000000\tReel 1 take 1\n12.000000\t12.000000\tlate, bow');
    expect(JSON.parse(run('--json').out)).toMatchObject({ format: 'faithful-thread-log/1', rows: [{}, {}] });
    expect(run('--session', 'Nowhere')).toMatchObject({
      code: 2,
      err: expect.stringContaining('There is no session “Nowhere”'),
    });
    writeFileSync(path, 'no zip');
    expect(run()).toMatchObject({
      code: 2,
      err: expect.stringContaining('takes are kept in an archive, not in a bundle'),
    });
  });
});

describe('the demo', () => {
  it('has a log of an afternoon: six takes and fourteen notes', () => {
    const rows = JSON.parse(readFileSync(join(__dirname, '../dist/demo.log.json'), 'utf8')) as LogRow[];
    const kinds = rows.map(({ kind }) => kind);
    expect(['take', 'note', 'punch'].map((kind) => kinds.filter((each) => each === kind).length)).toEqual([
      6, 14, 2,
    ]);
    const log = logOf(rows);
    for (const row of rows) if (row.kind === 'note') expect(log.get(row.take)?.kind).toBe('take');
  });
});

import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { readArchive } from '../src/archive/readArchive';
import type { TestProgram } from './helpers';
import { DEMO, performerChange, putSmallDemo, startProgram } from './helpers';

let program: TestProgram;

beforeAll(async () => {
  program = await startProgram();
  await putSmallDemo(program);
  await program.api.post('/api/studios').send({ name: 'Glass Lane' }).expect(201);
  const { database } = program.program;
  const pairedAt = '2026-03-01T09:00:00Z';
  await database.models.tablets.create({
    ...{ id: 't1', name: 'Bay tablet', role: 'tick', pairedAt, seenAt: null, secretHash: 'secret' },
  });
  const values = ['Imke Tarrow', 'Ada', 'Bo', 'Cy'];
  for (let i = 1; i < values.length; i++)
    await program.api
      .post(`${DEMO}/changes`)
      .send(performerChange(values[i]!, values[i - 1]!))
      .expect(200);
  await database.models.entries.update({ tablet: 't1' }, { where: { revision: 2 } });
});
afterAll(() => program.close());

async function exported(): Promise<Uint8Array> {
  const { body, headers } = await program.api.get('/api/archive').buffer(true).parse(bytes).expect(200);
  expect(headers['content-disposition']).toContain('faithful-thread-2026-03-01.thread.zip');
  return new Uint8Array(body as Buffer);
}

function bytes(response: unknown, done: (error: null, body: Buffer) => void): void {
  const chunks: Buffer[] = [];
  const stream = response as NodeJS.ReadableStream;
  stream.on('data', (chunk: Buffer) => chunks.push(chunk));
  stream.on('end', () => {
    done(null, Buffer.concat(chunks));
  });
}

describe('an archive of everything', () => {
  it('comes back whole in a program that has nothing, history and names of tablets included', async () => {
    const archive = await exported();
    const other = await startProgram();
    const { body } = await other.api
      .post('/api/archives')
      .set('Content-Type', 'application/zip')
      .send(Buffer.from(archive))
      .expect(201);
    expect((body as { ids: string[] }).ids.sort()).toEqual(['glass-lane', 'saltglass-rooms']);
    const [there, here] = await Promise.all([
      other.api.get(`${DEMO}/bundle`),
      program.api.get(`${DEMO}/bundle`),
    ]);
    expect(there.text).toBe(here.text);
    const history = async (from: TestProgram): Promise<unknown> =>
      (await from.api.get(`${DEMO}/history?author=desk`).expect(200)).body;
    expect(await history(other)).toEqual(await history(program));
    expect(await history(other)).toMatchObject({ entries: [{}, { tablet: 'Bay tablet' }, {}] });
    // The name came along; the right to come in did not.
    expect(await other.program.sharing.tablets.list()).toEqual([]);
    await other.api.post(`${DEMO}/undo`).send({ author: 'desk', change: 'undo-there' }).expect(200);
    await other.close();
  });

  it('stands beside what is here', async () => {
    const archive = await exported();
    const { body } = await program.api
      .post('/api/archives')
      .set('Content-Type', 'application/zip')
      .send(Buffer.from(archive))
      .expect(201);
    const { ids } = body as { ids: string[] };
    expect(ids).toContain('saltglass-rooms-archive-of-2026-03-01');
    for (const id of ids) await program.api.delete(`/api/studios/${id}`).expect(204);
    await program.api.get(DEMO).expect(200);
  });

  it.each<[string, (files: Record<string, Uint8Array>) => Record<string, Uint8Array>, RegExp]>([
    [
      'a line of the history changed',
      (files) => ({
        ...files,
        [HISTORY]: strToU8(strFromU8(files[HISTORY]!).replace('Performer Bo', 'Performer Bö')),
      }),
      /history\.ndjson: It is not what was written/,
    ],
    [
      'a file left out',
      ({ [HISTORY]: _gone, ...files }) => files,
      /history\.ndjson: It is not what was written/,
    ],
    ['no manifest', ({ 'archive.json': _gone, ...files }) => files, /archive\.json: It is missing/],
    [
      'another format',
      (files) => ({ ...files, 'archive.json': strToU8('{"format":"something/1"}') }),
      /^archive\.json: /,
    ],
    [
      'a line of the history missing',
      (files) => {
        const lines = strFromU8(files[HISTORY]!).split('\n');
        return unchecked({ ...files, [HISTORY]: strToU8([lines[0], lines[2]].join('\n')) });
      },
      /history\.ndjson line 2: Revision 2 is missing here/,
    ],
    [
      'a history that is cut off',
      (files) => unchecked({ ...files, [HISTORY]: strToU8(strFromU8(files[HISTORY]!).split('\n')[0]!) }),
      /It ends before revision 3/,
    ],
    [
      'a bundle that does not hold together',
      (files) =>
        unchecked({ ...files, [BUNDLE]: strToU8(strFromU8(files[BUNDLE]!).replace('"rooms"', '"zooms"')) }),
      /studio\.thread\.json: studio\.rig/,
    ],
  ])('with %s is refused, with the place', async (_name, change, sentence) => {
    const files = change(unzipSync(await exported()));
    const reading = readArchive(zipSync(files));
    expect(reading.ok).toBe(false);
    expect(!reading.ok && reading.problems.join('\n')).toMatch(sentence);
  });

  it('cut off, or no zip at all, is refused and nothing stored', async () => {
    const archive = await exported();
    for (const broken of [archive.slice(0, archive.length / 2), strToU8('not a zip')]) {
      const { body } = await program.api
        .post('/api/archives')
        .set('Content-Type', 'application/zip')
        .send(Buffer.from(broken))
        .expect(422);
      expect((body as { problems: string[] }).problems).toEqual([
        'This is not a zip file, or it is cut off. Export it again.',
      ]);
    }
    const { body } = await program.api.get('/api/studios').expect(200);
    expect((body as { studios: unknown[] }).studios).toHaveLength(2);
  });
});

const HISTORY = 'studios/saltglass-rooms/history.ndjson';
const BUNDLE = 'studios/saltglass-rooms/studio.thread.json';

/** The manifest without checksums: what somebody could write by hand. */
function unchecked(files: Record<string, Uint8Array>): Record<string, Uint8Array> {
  const manifest = JSON.parse(strFromU8(files['archive.json']!)) as object;
  return { ...files, 'archive.json': strToU8(JSON.stringify({ ...manifest, checksums: {} })) };
}

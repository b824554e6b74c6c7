import { createHash } from 'node:crypto';
import { readdirSync, rmSync, utimesSync, writeFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { text } from 'node:stream/consumers';
import { FileStore } from '../src/files/fileStore';
import type { TestProgram } from './helpers';
import { putSmallDemo, startProgram, TEST_TIME } from './helpers';

let program: TestProgram;
let files: FileStore;
let folder: string;

beforeEach(async () => {
  program = await startProgram();
  await putSmallDemo(program);
  folder = join(program.folder, 'files');
  files = new FileStore(program.program.database, folder);
});
afterEach(() => program.close());

const about = { studioId: 'saltglass-rooms', purpose: 'photo of bay-a', mediaType: 'image/png' };
const keep = (content: string, more: Partial<typeof about> = {}, most = 1000) =>
  files.keep(Readable.from([Buffer.from(content)]), { ...about, ...more }, TEST_TIME, most);
const hashOf = (content: string): string => createHash('sha256').update(content).digest('hex');
const onDisk = (): string[] =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map(({ name }) => name);

describe('a file beside the documents', () => {
  it('is kept by what is in it, and comes back the same', async () => {
    const kept = await keep('a picture');
    const hash = hashOf('a picture');
    expect(kept).toEqual({ ok: true, file: { hash, bytes: 9, mediaType: 'image/png' } });
    const opened = (await files.open(hash))!;
    expect(await text(opened.stream)).toBe('a picture');
    expect(await files.open(hashOf('something else'))).toBeUndefined();
  });

  it('that is kept twice is there once, until nobody uses it any more', async () => {
    await keep('a picture');
    await keep('a picture', { purpose: 'photo of bay-b' });
    expect(onDisk()).toEqual([hashOf('a picture')]);
    await files.release('saltglass-rooms', hashOf('a picture'), 'photo of bay-a');
    expect(await files.sweep(0)).toBe(0);
    await files.release('saltglass-rooms', hashOf('a picture'), 'photo of bay-b');
    expect(await files.sweep(0)).toBe(1);
    expect(onDisk()).toEqual([]);
    expect(await files.open(hashOf('a picture'))).toBeUndefined();
  });

  it('goes with its studio', async () => {
    await keep('a picture');
    await program.api.delete('/api/studios/saltglass-rooms').expect(204);
    expect(await files.sweep(0)).toBe(1);
    expect(onDisk()).toEqual([]);
  });

  it('that is too large is refused, and nothing is left of it', async () => {
    expect(await keep('a picture', {}, 8)).toEqual({ ok: false, code: 'too-large', mostBytes: 8 });
    expect(onDisk()).toEqual([]);
    expect(await program.program.database.models.files.count()).toBe(0);
  });

  it('whose sender stops leaves nothing', async () => {
    const broken = Readable.from(
      (function* () {
        yield Buffer.from('half of');
        throw new Error('the wire broke');
      })(),
    );
    await expect(files.keep(broken, about, TEST_TIME, 1000)).rejects.toThrow('the wire broke');
    expect(onDisk()).toEqual([]);
  });

  it('of a studio that is not there is not written down', async () => {
    await expect(keep('a picture', { studioId: 'nowhere' })).rejects.toThrow();
    expect(await program.program.database.models.files.count()).toBe(0);
  });

  it('that is missing or changed on the disk is found', async () => {
    await keep('one');
    await keep('two');
    await keep('three');
    const path = (content: string): string => join(folder, hashOf(content).slice(0, 2), hashOf(content));
    rmSync(path('one'));
    writeFileSync(path('two'), 'twö');
    expect([...(await files.unsound())].sort((a, b) => (a.because < b.because ? -1 : 1))).toEqual([
      { hash: hashOf('two'), because: 'changed' },
      { hash: hashOf('one'), because: 'missing' },
    ]);
  });

  it('begun long ago and never finished is swept', async () => {
    const half = join(folder, 'half', 'upload');
    mkdirSync(join(folder, 'half'), { recursive: true });
    writeFileSync(half, 'x');
    utimesSync(half, 0, 0);
    writeFileSync(join(folder, 'half', 'now'), 'x');
    await files.sweep(Date.now());
    expect(onDisk()).toEqual(['now']);
  });
});

import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream, existsSync } from 'node:fs';
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { Readable } from 'node:stream';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Transaction } from 'sequelize';
import type { Database } from '../database/openDatabase';

/** A file that is kept: what is in it is its name. */
export interface KeptFile {
  /** SHA-256, hex. */
  readonly hash: string;
  readonly bytes: number;
  readonly mediaType: string;
}

export type Kept =
  | { readonly ok: true; readonly file: KeptFile }
  | { readonly ok: false; readonly code: 'too-large'; readonly mostBytes: number };

class TooLarge extends Error {}

/** Passes bytes on, sums them up, and stops when there are too many. */
function measured(mostBytes: number): {
  readonly pass: Transform;
  readonly sum: () => Omit<KeptFile, 'mediaType'>;
} {
  const hash = createHash('sha256');
  let bytes = 0;
  const pass = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      hash.update(chunk);
      if (bytes > mostBytes) done(new TooLarge());
      else done(null, chunk);
    },
  });
  return { pass, sum: () => ({ hash: hash.digest('hex'), bytes }) };
}

/** Files that were begun and never finished are swept after this, ms. */
const HALF_AFTER_MS = 24 * 3600 * 1000;

/**
 * What is large stands beside the documents: photos, recordings, proofs. A file is written whole before it has
 * its name, its name is its checksum, equal files are kept once, and what no studio uses is swept out.
 */
export class FileStore {
  constructor(
    private readonly database: Database,
    private readonly folder: string,
  ) {}

  /** Keeps a file for a studio. Nothing is left of one that is too large, or whose sender stops. */
  async keep(
    source: Readable,
    about: { readonly studioId: string; readonly purpose: string; readonly mediaType: string },
    at: string,
    mostBytes: number,
  ): Promise<Kept> {
    const half = join(this.folder, 'half', randomUUID());
    await mkdir(dirname(half), { recursive: true });
    const { pass, sum } = measured(mostBytes);
    try {
      await pipeline(source, pass, createWriteStream(half, { flush: true }));
      const file = { ...sum(), mediaType: about.mediaType };
      await this.place(half, file.hash);
      await this.note(file, about, at);
      return { ok: true, file };
    } catch (error) {
      if (error instanceof TooLarge) return { ok: false, code: 'too-large', mostBytes };
      throw error;
    } finally {
      await rm(half, { force: true });
    }
  }

  /** A kept file as it stands, or undefined. */
  async open(hash: string): Promise<{ readonly file: KeptFile; readonly stream: Readable } | undefined> {
    const row = await this.database.models.files.findByPk(hash);
    if (row === null || !existsSync(this.pathOf(hash))) return undefined;
    const { bytes, mediaType } = row;
    return { file: { hash, bytes, mediaType }, stream: createReadStream(this.pathOf(hash)) };
  }

  /** Files that are missing or are not what they were. */
  async unsound(): Promise<readonly { readonly hash: string; readonly because: 'missing' | 'changed' }[]> {
    const found: { hash: string; because: 'missing' | 'changed' }[] = [];
    for (const { hash } of await this.database.models.files.findAll({ attributes: ['hash'] }))
      if (!existsSync(this.pathOf(hash))) found.push({ hash, because: 'missing' });
      else if ((await hashOfFile(this.pathOf(hash))) !== hash) found.push({ hash, because: 'changed' });
    return found;
  }

  /** Lets a studio's use of a file go. */
  async release(studioId: string, hash: string, purpose: string): Promise<void> {
    await this.database.write((transaction) =>
      this.database.models.fileUses.destroy({ where: { studioId, hash, purpose }, transaction }),
    );
  }

  /** Sweeps out what no studio uses, and what was begun long ago and never finished. @returns how many went. */
  async sweep(nowMs: number): Promise<number> {
    // Looked for first: most times there is nothing, and a full disk must not keep the program from starting.
    const gone = (await this.unused()).length === 0 ? [] : await this.forgetUnused();
    for (const hash of gone) await rm(this.pathOf(hash), { force: true });
    await this.sweepHalves(nowMs);
    return gone.length;
  }

  private async unused(transaction?: Transaction): Promise<readonly string[]> {
    const { files, fileUses } = this.database.models;
    const asked = { attributes: ['hash'], ...(transaction && { transaction }) };
    const used = new Set((await fileUses.findAll(asked)).map(({ hash }) => hash));
    return (await files.findAll(asked)).map(({ hash }) => hash).filter((hash) => !used.has(hash));
  }

  private forgetUnused(): Promise<readonly string[]> {
    return this.database.write(async (transaction) => {
      const unused = await this.unused(transaction);
      await this.database.models.files.destroy({ where: { hash: [...unused] }, transaction });
      return unused;
    });
  }

  private async sweepHalves(nowMs: number): Promise<void> {
    const folder = join(this.folder, 'half');
    for (const name of existsSync(folder) ? await readdir(folder) : []) {
      const { mtimeMs } = await stat(join(folder, name));
      if (nowMs - mtimeMs > HALF_AFTER_MS) await rm(join(folder, name), { force: true });
    }
  }

  private pathOf(hash: string): string {
    return join(this.folder, hash.slice(0, 2), hash);
  }

  private async place(half: string, hash: string): Promise<void> {
    const path = this.pathOf(hash);
    if (existsSync(path)) return;
    await mkdir(dirname(path), { recursive: true });
    await rename(half, path);
  }

  private async note(
    file: KeptFile,
    { studioId, purpose }: { readonly studioId: string; readonly purpose: string },
    at: string,
  ): Promise<void> {
    const { files, fileUses } = this.database.models;
    await this.database.write(async (transaction) => {
      await files.findOrCreate({
        where: { hash: file.hash },
        defaults: { ...file, storedAt: at },
        transaction,
      });
      await fileUses.findOrCreate({ where: { studioId, hash: file.hash, purpose }, transaction });
    });
  }
}

async function hashOfFile(path: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(path)) hash.update(chunk as Buffer);
  return hash.digest('hex');
}

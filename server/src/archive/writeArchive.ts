import { createHash } from 'node:crypto';
import { once } from 'node:events';
import type { Writable } from 'node:stream';
import { strToU8, Zip, ZipDeflate } from 'fflate';
import type { HistoryStore } from '../history/historyStore';
import type { StoredEntry } from '../history/storedEntry';
import type { TabletStore } from '../network/tabletStore';
import type { StudioStore } from '../studios/studioStore';
import type { ArchiveManifest } from './archiveFormat';
import type { LogStore } from '../takes/logStore';
import { ARCHIVE_FORMAT, bundlePath, historyPath, logPath, MANIFEST, tabletsPath } from './archiveFormat';
import { historyOf } from './wholeStudios';

/** A line of the history as JSON; its edits are text already. */
function lineOf({ edits, inverse, editCount: _count, ...line }: StoredEntry): string {
  return `${JSON.stringify(line).slice(0, -1)},"edits":${edits},"inverse":${inverse}}\n`;
}

/** Bytes packed at once: a few milliseconds. */
const AT_ONCE = 64 * 1024;

/** Writes files into a zip as they come, no faster than they are taken, and sums up what it wrote. */
class ZipStream {
  readonly checksums: Record<string, string> = {};
  private failed: Error | undefined;
  private readonly zip: Zip;

  constructor(private readonly out: Writable) {
    this.zip = new Zip((error, data, isLast) => {
      if (error !== null) this.failed = error;
      else this.out.write(data);
      if (isLast) this.out.end();
    });
  }

  async file(path: string, parts: AsyncIterable<string> | Iterable<string>): Promise<void> {
    const file = new ZipDeflate(path, { level: 6 });
    const hash = createHash('sha256');
    this.zip.add(file);
    for await (const part of parts) {
      const bytes = strToU8(part);
      hash.update(bytes);
      for (let at = 0; at < bytes.length; at += AT_ONCE) {
        file.push(bytes.subarray(at, at + AT_ONCE));
        await this.roomFor();
      }
    }
    file.push(new Uint8Array(), true);
    this.checksums[path] = hash.digest('hex');
  }

  end(): void {
    this.zip.end();
  }

  private async roomFor(): Promise<void> {
    if (this.failed !== undefined) throw this.failed;
    if (this.out.destroyed) throw new Error('whoever wanted the archive has left');
    // Others are answered between two pieces.
    await new Promise((resolve) => setImmediate(resolve));
    if (this.out.writableNeedDrain) await Promise.race([once(this.out, 'drain'), once(this.out, 'close')]);
  }
}

export interface BundleAt {
  readonly text: string;
  readonly revision: number;
}

interface Parts {
  readonly store: StudioStore;
  readonly history: HistoryStore;
  readonly tablets: TabletStore;
  readonly takeLog: LogStore;
  /** A studio as the text of a bundle, and the revision it is of. */
  readonly bundleOf: (studioId: string) => Promise<BundleAt | undefined>;
}

/** The history up to the revision of the bundle beside it: others may write meanwhile. */
async function* linesOf(
  history: HistoryStore,
  studioId: string,
  upTo: number,
  tabletIds: Set<string>,
): AsyncGenerator<string> {
  for await (const page of historyOf(history, studioId)) {
    const lines = page.filter(({ revision }) => revision <= upTo);
    if (lines.length === 0) return;
    for (const { tablet } of lines) if (tablet !== undefined) tabletIds.add(tablet);
    yield lines.map(lineOf).join('');
  }
}

/** The take log of a studio, a row a line. */
async function* rowLines(takeLog: LogStore, studioId: string): AsyncGenerator<string> {
  for await (const page of takeLog.all(studioId))
    yield page.map(({ row }) => `${JSON.stringify(row)}\n`).join('');
}

/** Writes everything there is, history included, as one archive. */
export async function writeArchive(out: Writable, writtenAt: string, parts: Parts): Promise<void> {
  const { store, history, tablets, takeLog, bundleOf } = parts;
  const zip = new ZipStream(out);
  const studios: ArchiveManifest['studios'] = [];
  for (const { id, name } of await store.list()) {
    const bundle = await bundleOf(id);
    if (bundle === undefined) continue;
    const { text, revision } = bundle;
    const tabletIds = new Set<string>();
    await zip.file(bundlePath(id), [text]);
    await zip.file(historyPath(id), linesOf(history, id, revision, tabletIds));
    const named = (await tablets.named([...tabletIds])).map(({ id: tablet, name: called, pairedAt }) => ({
      ...{ id: tablet, name: called, pairedAt },
    }));
    await zip.file(tabletsPath(id), [JSON.stringify(named, null, 2)]);
    if ((await takeLog.count(id)) > 0) await zip.file(logPath(id), rowLines(takeLog, id));
    studios.push({ id, name, revision });
  }
  const { checksums } = zip;
  const manifest: ArchiveManifest = { format: ARCHIVE_FORMAT, writtenAt, studios, checksums };
  await zip.file(MANIFEST, [JSON.stringify(manifest, null, 2)]);
  zip.end();
}

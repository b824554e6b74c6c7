import { createHash } from 'node:crypto';
import { strFromU8, unzipSync } from 'fflate';
import { readBundle } from '@ft/core/formats/bundle';
import type { LogRow } from '@ft/core/takes/logRows';
import { logRowSchema } from '@ft/core/takes/logRows';
import { problemLine } from '@ft/core/words/problemWording';
import type { StoredEntry } from '../history/storedEntry';
import { readRequestText } from '../http/readRequest';
import type { WholeStudio } from '../studios/wholeStudio';
import { documentsOf } from '../studios/documents';
import {
  archiveEntrySchema,
  archiveManifestSchema,
  archiveTabletsSchema,
  bundlePath,
  historyPath,
  logPath,
  MANIFEST,
  tabletsPath,
} from './archiveFormat';

export type ReadArchive =
  | { readonly ok: true; readonly studios: readonly WholeStudio[] }
  | { readonly ok: false; readonly problems: readonly string[] };

/** Unpacked, an archive may have so many bytes: what is made to burst is refused before it does. */
export const MOST_UNPACKED = 400 * 1024 * 1024;

/** What is wrong with an archive, at a place in it. */
class Unfit extends Error {}

type Files = Readonly<Record<string, Uint8Array>>;

function unpacked(bytes: Uint8Array): Files {
  let total = 0;
  try {
    return unzipSync(bytes, {
      filter: ({ originalSize, name }) => {
        total += originalSize;
        if (total > MOST_UNPACKED)
          throw new Unfit(
            `${name}: Unpacked, this is more than ${String(MOST_UNPACKED / 2 ** 20)} MB. Check that it is the right file.`,
          );
        return true;
      },
    });
  } catch (error) {
    if (error instanceof Unfit) throw error;
    throw new Unfit('This is not a zip file, or it is cut off. Export it again.');
  }
}

function textAt(files: Files, path: string): string {
  const bytes = files[path];
  if (bytes === undefined) throw new Unfit(`${path}: It is missing. Export the archive again.`);
  return strFromU8(bytes);
}

function orUnfit<T>(
  path: string,
  reading:
    { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly string[] },
): T {
  if (reading.ok) return reading.value;
  throw new Unfit(`${path}: ${reading.problems[0] ?? ''}`);
}

function needChecksum(files: Files, path: string, wanted: string): void {
  const found = createHash('sha256')
    .update(files[path] ?? new Uint8Array())
    .digest('hex');
  if (found !== wanted)
    throw new Unfit(`${path}: It is not what was written (its checksum differs). Export the archive again.`);
}

/** The history, line by line; revisions follow each other from 1. */
function entriesIn(text: string, path: string): readonly StoredEntry[] {
  const lines = text.split('\n').filter((line) => line !== '');
  return lines.map((line, i) => {
    const place = `${path} line ${String(i + 1)}`;
    const { edits, inverse, tablet, undoes, redoes, ...entry } = orUnfit(
      place,
      readRequestText(line, archiveEntrySchema),
    );
    if (entry.revision !== i + 1)
      throw new Unfit(`${place}: Revision ${String(i + 1)} is missing here. Export the archive again.`);
    return {
      ...entry,
      ...(tablet !== undefined && { tablet }),
      ...(undoes !== undefined && { undoes }),
      ...(redoes !== undefined && { redoes }),
      edits: JSON.stringify(edits),
      inverse: JSON.stringify(inverse),
      editCount: edits.length,
    };
  });
}

/** The take log, line by line; none where nothing was logged. */
function logIn(files: Files, path: string): readonly LogRow[] {
  if (files[path] === undefined) return [];
  const lines = textAt(files, path)
    .split('\n')
    .filter((line) => line !== '');
  return lines.map((line, i) =>
    orUnfit(`${path} line ${String(i + 1)}`, readRequestText(line, logRowSchema)),
  );
}

function studioIn(files: Files, id: string, revision: number): WholeStudio {
  const reading = readBundle(textAt(files, bundlePath(id)));
  if (!reading.ok)
    throw new Unfit(reading.problems.map((p) => `${bundlePath(id)}: ${problemLine(p)}`).join('\n'));
  const entries = entriesIn(textAt(files, historyPath(id)), historyPath(id));
  if ((entries.at(-1)?.revision ?? 0) !== revision)
    throw new Unfit(
      `${historyPath(id)}: It ends before revision ${String(revision)}. Export the archive again.`,
    );
  const tablets = orUnfit(
    tabletsPath(id),
    readRequestText(textAt(files, tabletsPath(id)), archiveTabletsSchema),
  );
  return { documents: documentsOf(reading.studio), entries, tablets, log: logIn(files, logPath(id)) };
}

/** Reads an archive whole or not at all. */
export function readArchive(bytes: Uint8Array): ReadArchive {
  try {
    const files = unpacked(bytes);
    const manifest = orUnfit(MANIFEST, readRequestText(textAt(files, MANIFEST), archiveManifestSchema));
    for (const [path, checksum] of Object.entries(manifest.checksums)) needChecksum(files, path, checksum);
    return { ok: true, studios: manifest.studios.map(({ id, revision }) => studioIn(files, id, revision)) };
  } catch (error) {
    if (!(error instanceof Unfit)) throw error;
    return { ok: false, problems: error.message.split('\n') };
  }
}

import { readBundle } from '@ft/core/formats/bundle';
import { problemLine } from '@ft/core/words/problemWording';
import type { Documents } from '../studios/documents';
import { documentsOf } from '../studios/documents';
import type { Tell } from './jobProgress';

export type ReadDocuments =
  | { readonly ok: true; readonly documents: Documents }
  | { readonly ok: false; readonly problems: readonly string[] };

/** A bundle from its text, ready to be stored, or every problem in words. */
export function readBundleTask(text: string, tell: Tell): ReadDocuments {
  tell('Reading the bundle', 1, 2);
  const reading = readBundle(text);
  if (!reading.ok) return { ok: false, problems: reading.problems.map(problemLine) };
  tell('Writing it down', 2, 2);
  return { ok: true, documents: documentsOf(reading.studio) };
}

import { writeBundle } from '@ft/core/formats/bundle';
import type { Documents } from '../studios/documents';
import { studioOf } from '../studios/documents';
import type { Tell } from './jobProgress';

/** A studio as the text of a bundle. */
export function bundleTask(documents: Documents, tell: Tell): string {
  tell('Reading the studio', 1, 2);
  const studio = studioOf(documents);
  tell('Writing the bundle', 2, 2);
  return writeBundle(studio);
}

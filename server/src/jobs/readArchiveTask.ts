import type { ReadArchive } from '../archive/readArchive';
import { readArchive } from '../archive/readArchive';
import type { Tell } from './jobProgress';

/** An archive, every studio in it ready to be taken in. */
export function readArchiveTask(bytes: Uint8Array, tell: Tell): ReadArchive {
  tell('Reading the archive', 1, 1);
  return readArchive(bytes);
}

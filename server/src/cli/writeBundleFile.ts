import { renameSync, rmSync, writeFileSync } from 'node:fs';
import { writeBundle } from '@ft/core/formats/bundle';
import type { Studio } from '@ft/core/session/studioSchema';
import { BadInput } from './badInput';

/**
 * Writes a bundle, often over the one it was made of: beside it first, and only what is whole gets the name.
 * Throws `BadInput` where it cannot be written; what stood there before then still does.
 */
export function writeBundleFile(file: string, studio: Studio): void {
  const half = `${file}.${String(process.pid)}.part`;
  try {
    writeFileSync(half, writeBundle(studio), { flush: true });
    renameSync(half, file);
  } catch (error) {
    rmSync(half, { force: true });
    const reason = error instanceof Error ? error.message : String(error);
    throw new BadInput(
      `“${file}” cannot be written (${reason}); nothing there was changed. Give a path in a folder that is there and has room.`,
    );
  }
}

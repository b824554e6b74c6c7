import { existsSync } from 'node:fs';
import { mkdir, open, rename, rm, stat } from 'node:fs/promises';
import { dirname } from 'node:path';
import { withRaw } from './rawDatabase';
import { soundnessOf } from './soundness';

/** A copy that did not come out whole; it was thrown away. */
export class BadCopy extends Error {}

async function flush(file: string): Promise<void> {
  const handle = await open(file, 'r+');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}

/**
 * Copies a data base while it is in use, as it stands at one moment (`VACUUM INTO`), looks the copy over and
 * only then gives it its name. What has a name is whole.
 * @returns its size in bytes.
 */
export async function takeSnapshot(from: string, to: string): Promise<number> {
  await mkdir(dirname(to), { recursive: true });
  const half = `${to}.part`;
  await rm(half, { force: true });
  try {
    await withRaw(from, (database) => database.all(`VACUUM INTO '${half.replaceAll("'", "''")}'`));
    const soundness = await soundnessOf(half, true);
    if (!soundness.ok) throw new BadCopy(soundness.reason);
    await flush(half);
    await rename(half, to);
  } finally {
    if (existsSync(half)) await rm(half, { force: true });
  }
  return (await stat(to)).size;
}

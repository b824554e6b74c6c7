import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';

const packed = promisify(brotliCompress);

/** What is text, and large enough for packing to pay. */
const isPackable = (name, size) => /\.(js|css|svg|html)$/.test(name) && size > 1000;

/** Writes a brotli copy beside every file of a build that shrinks by it, so that nobody packs them while serving. */
export async function packFiles(folder) {
  const names = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name));
  await Promise.all(
    names.map(async (name) => {
      const bytes = readFileSync(name);
      if (!isPackable(name, bytes.length)) return;
      const params = {
        [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY,
        [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
      };
      writeFileSync(`${name}.br`, await packed(bytes, { params }));
    }),
  );
}

import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { formatSchemas } from './formatSchemas';

const folder = process.argv[2] ?? 'docs/formats';
mkdirSync(folder, { recursive: true });
for (const [name, schema] of formatSchemas()) {
  const file = join(folder, `${name}.schema.json`);
  writeFileSync(file, `${JSON.stringify(schema, null, 2)}\n`);
  console.log(file);
}

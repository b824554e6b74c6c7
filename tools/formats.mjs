import { buildServer } from './builds.mjs';
import { ensureInstalled } from './install.mjs';
import { run } from './run.mjs';

await ensureInstalled();
await buildServer();
process.exitCode = (await run(process.execPath, ['server/dist/formats.mjs', 'docs/formats'])).code;

import { buildServer } from './builds.mjs';
import { ensureInstalled } from './install.mjs';
import { run } from './run.mjs';

await ensureInstalled();
await buildServer();
const { code } = await run(process.execPath, ['server/dist/soak.mjs', ...process.argv.slice(2)]);
process.exitCode = code;

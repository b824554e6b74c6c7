import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { buildServer } from './builds.mjs';
import { ensureInstalled } from './install.mjs';
import { ROOT } from './run.mjs';

// Installing and building may print; the command line's own output must stay clean for whoever reads its JSON.
const log = console.log;
console.log = console.error;
await ensureInstalled();
await buildServer();
console.log = log;

// npm runs scripts in the repository; file names are meant from where the user stands.
const cwd = process.env.INIT_CWD ?? process.cwd();
const { status } = spawnSync(process.execPath, [join(ROOT, 'server/dist/ft.mjs'), ...process.argv.slice(2)], {
  stdio: 'inherit',
  cwd,
});
process.exit(status ?? 2);

import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './run.mjs';

const program = join(ROOT, 'server/dist/ft.mjs');
if (!existsSync(program)) {
  // Building may print; the command line's own output must stay clean for whoever reads its JSON.
  const log = console.log;
  console.log = console.error;
  const { ensureInstalled } = await import('./install.mjs');
  const { buildServer } = await import('./builds.mjs');
  await ensureInstalled();
  await buildServer();
  console.log = log;
}
// npm runs scripts in the repository; file names are meant from where the user stands.
const cwd = process.env.INIT_CWD ?? process.cwd();
const { status } = spawnSync(process.execPath, [program, ...process.argv.slice(2)], {
  stdio: 'inherit',
  cwd,
});
process.exit(status ?? 2);

import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { buildServer, buildWeb } from './builds.mjs';
import { ensureInstalled } from './install.mjs';
import { ROOT } from './run.mjs';

/** Installs and builds what is missing, then runs the program until it is stopped. */
export async function serve(args, env = {}) {
  await ensureInstalled();
  await buildServer();
  await buildWeb();
  const server = spawn(process.execPath, [join(ROOT, 'server/dist/main.mjs'), ...args], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('close', (code) => process.exit(code ?? 0));
}

import { existsSync } from 'node:fs';
import { must, run } from './run.mjs';

const hasCommand = async (name) =>
  (await run('sh', ['-c', `command -v ${name}`], { quiet: true })).code === 0;

/** Installs Debian packages that the tests need and the machine does not have. */
export async function ensureDebian(packages) {
  const missing = [];
  for (const { command, name } of packages) if (!(await hasCommand(command))) missing.push(name);
  if (missing.length === 0) return;
  const line = `apt-get install -y ${missing.join(' ')}`;
  const isRoot = process.getuid?.() === 0;
  if (!isRoot || !existsSync('/usr/bin/apt-get')) {
    console.error(
      `The tests need ${missing.join(' and ')}. Install them as root, then run npm test again:\n  ${line}`,
    );
    process.exit(1);
  }
  console.log(`Installing ${missing.join(' and ')} …`);
  const quiet = { env: { DEBIAN_FRONTEND: 'noninteractive' } };
  await must('apt-get update', 'apt-get', ['update'], quiet);
  await must(line, 'apt-get', ['install', '-y', '--no-install-recommends', ...missing], quiet);
}

import { spawn } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The repository's root. Every tool works from there, wherever it was called. */
export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

/** A program that came with the node modules. */
export const bin = (name) => join(ROOT, 'node_modules', '.bin', name);

/** Runs a program and waits; its output goes where ours goes unless `quiet`. Resolves to code and output. */
export function run(command, args, { quiet = false, env = {} } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: quiet ? ['ignore', 'pipe', 'pipe'] : 'inherit',
    });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (chunk) => (output += chunk));
    child.on('error', reject);
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

/** Runs a step that must succeed; shows what it printed when it does not, and ends the tool. */
export async function must(title, command, args, options = {}) {
  const { code, output } = await run(command, args, { quiet: true, ...options });
  if (code === 0) return output;
  console.error(`${title} failed (exit code ${code}).\n${output}`);
  process.exit(1);
}

import { mkdirSync } from 'node:fs';
import { homedir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { saltglassRooms } from '@ft/demo/saltglass';
import { createApp } from './app';
import { openDatabase } from './database';
import { StudioStore } from './studioStore';

const DEFAULT_PORT = 4747;
const now = (): string => new Date().toISOString();

/** Where this user's studios live, unless FT_DATA says otherwise. */
function dataFolder(): string {
  const base = process.env['XDG_DATA_HOME'] ?? join(homedir(), '.local', 'share');
  return resolve(process.env['FT_DATA'] ?? join(base, 'faithful-thread'));
}

function portNumber(): number {
  const port = Number(process.env['PORT'] ?? DEFAULT_PORT);
  if (Number.isInteger(port) && port > 0 && port < 65_536) return port;
  console.error(`PORT is “${process.env['PORT'] ?? ''}”; it must be a number from 1 to 65535.`);
  process.exit(2);
}

async function main(): Promise<void> {
  const port = portNumber();
  const folder = dataFolder();
  mkdirSync(folder, { recursive: true });
  const store = new StudioStore(await openDatabase(join(folder, 'studios.sqlite')));
  if (process.argv.includes('--demo') && (await store.read('saltglass-rooms')) === undefined)
    await store.create(saltglassRooms(), now());
  const webRoot = join(dirname(fileURLToPath(import.meta.url)), '..', '..', 'web', 'dist', 'browser');
  const server = createApp({ store, now, webRoot }).listen(port, '127.0.0.1');
  server.on('listening', () => {
    console.log(
      `Faithful Thread is at http://127.0.0.1:${String(port)}  (data in ${folder}; Ctrl+C stops it)`,
    );
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    const remedy =
      error.code === 'EADDRINUSE'
        ? `Port ${String(port)} is in use. Set PORT to another one.`
        : error.message;
    console.error(remedy);
    process.exit(1);
  });
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, () => {
      server.close(() => process.exit(0));
      server.closeAllConnections();
    });
}

await main();

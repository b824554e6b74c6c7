import { mkdirSync } from 'node:fs';
import { homedir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { saltglassRooms } from '@ft/demo/saltglass';
import { createApps } from './app';
import { networkDoor } from './sharing/network';
import { openDatabase } from './database';
import { StudioStore } from './studioStore';

const DEFAULT_PORT = 4747;
/** The studio network comes in at the next port, so that the own one is closed to it whatever happens. */
const DEFAULT_SHARE_PORT = 4748;
const now = (): string => new Date().toISOString();

/** Where this user's studios live, unless FT_DATA says otherwise. */
function dataFolder(): string {
  const base = process.env['XDG_DATA_HOME'] ?? join(homedir(), '.local', 'share');
  return resolve(process.env['FT_DATA'] ?? join(base, 'faithful-thread'));
}

function portNumber(name: 'PORT' | 'FT_SHARE_PORT', otherwise: number): number {
  const port = Number(process.env[name] ?? otherwise);
  if (Number.isInteger(port) && port > 0 && port < 65_536) return port;
  console.error(`${name} is “${process.env[name] ?? ''}”; it must be a number from 1 to 65535.`);
  process.exit(2);
}

async function main(): Promise<void> {
  const port = portNumber('PORT', DEFAULT_PORT);
  const sharePort = portNumber('FT_SHARE_PORT', DEFAULT_SHARE_PORT);
  const folder = dataFolder();
  mkdirSync(folder, { recursive: true });
  const store = new StudioStore(await openDatabase(join(folder, 'studios.sqlite')));
  if (process.argv.includes('--demo') && (await store.read('saltglass-rooms')) === undefined)
    await store.create(saltglassRooms(), now());
  const webRoot = join(dirname(fileURLToPath(import.meta.url)), '..', '..', 'web', 'dist', 'browser');
  const { local, sharing } = createApps({ store, now, webRoot, door: (app) => networkDoor(sharePort, app) });
  const server = local.listen(port, '127.0.0.1');
  server.on('listening', () => {
    console.log(
      `Faithful Thread is at http://127.0.0.1:${String(port)}  (data in ${folder}; Ctrl+C stops it)`,
    );
  });
  sharing.resume().then(
    (isOpen) => {
      if (isOpen) console.log(`It is open to the studio network at port ${String(sharePort)}.`);
    },
    (error: unknown) => {
      const why = error instanceof Error ? error.message : String(error);
      console.error(`The studio network could not be let in at port ${String(sharePort)}: ${why}`);
    },
  );
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

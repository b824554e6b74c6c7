import type { LogRow } from '@ft/core/takes/logRows';
import { readFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { cannotStart, CannotStart } from './cannotStart';
import { closed, startProgram } from './program';
import type { Program } from './program';
import { lastSetAside } from './database/setAside';
import { openLog } from './log/log';
import { networkDoor } from './network/door';
import type { Options } from './options';
import { optionsOf } from './options';

const here = dirname(fileURLToPath(import.meta.url));
const now = (): string => new Date().toISOString();
const demo = (): string => readFileSync(join(here, 'demo.thread.json'), 'utf8');
const demoLog = (): readonly LogRow[] =>
  JSON.parse(readFileSync(join(here, 'demo.log.json'), 'utf8')) as readonly LogRow[];
/** What was accepted is finished within this time, or the program stops all the same, ms. */
const PATIENCE_MS = 15_000;

const versionOf = (): string =>
  (JSON.parse(readFileSync(join(here, '..', '..', 'package.json'), 'utf8')) as { version: string }).version;

function listen(program: Program, port: number): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = program.local.listen(port, '127.0.0.1');
    server.once('listening', () => {
      resolve(server);
    });
    server.once('error', (error: NodeJS.ErrnoException) => {
      const remedy =
        error.code === 'EADDRINUSE'
          ? `Port ${String(port)} is in use by another program. Set PORT to another one.`
          : `Port ${String(port)} cannot be used (${error.code ?? 'unknown'}). Set PORT to another one.`;
      reject(new CannotStart(remedy));
    });
  });
}

/** Stops when asked to: what was accepted is stored, streams end, the data is closed. A second time it stops at once. */
function stopOnSignals(program: Program, server: Server): void {
  let isStopping = false;
  const stop = async (): Promise<void> => {
    if (isStopping) process.exit(1);
    isStopping = true;
    setTimeout(() => process.exit(1), PATIENCE_MS).unref();
    program.windows.close();
    await closed(server);
    await program.stop();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, () => {
      stop().catch(() => process.exit(1));
    });
}

async function resumeSharing({ sharing }: Program, port: number): Promise<void> {
  try {
    if (await sharing.resume()) console.log(`It is open to the studio network at port ${String(port)}.`);
  } catch (error) {
    const why = (error as NodeJS.ErrnoException).code ?? 'unknown';
    console.error(
      `The studio network could not be let in at port ${String(port)} (${why}). Set FT_SHARE_PORT to another one.`,
    );
  }
}

async function main({ port, sharePort, folder, demo: withDemo, verbose }: Options): Promise<void> {
  try {
    const log = openLog(join(folder, 'log'), { verbose });
    // What libraries warn of is for whoever reads the log; the terminal gets our own words.
    console.warn = () => {
      log.note('a library warned');
    };
    const program = await startProgram({
      ...{ folder, now, demo, demoLog, log, version: versionOf() },
      say: (line) => {
        console.log(line);
      },
      workerFile: join(here, 'worker.mjs'),
      webRoot: join(here, '..', '..', 'web', 'dist', 'browser'),
      door: (app) => networkDoor(sharePort, app),
    });
    // What a backup brings back must find its own name free.
    if (withDemo && lastSetAside(folder) === null) await program.putDemo();
    const server = await listen(program, port).catch(async (error: unknown) => {
      await program.stop();
      throw error;
    });
    stopOnSignals(program, server);
    console.log(
      `Faithful Thread is at http://127.0.0.1:${String(port)}  (data in ${folder}; Ctrl+C stops it)`,
    );
    program.schedule.start();
    await resumeSharing(program, sharePort);
  } catch (error) {
    throw cannotStart(error, folder);
  }
}

/** What cannot be is said in a sentence; only a fault of the program shows where it is. */
function complain(error: unknown): never {
  console.error(error instanceof CannotStart ? error.message : error);
  process.exit(error instanceof CannotStart ? error.exitCode : 1);
}

try {
  await main(optionsOf(process.argv.slice(2), process.env));
} catch (error) {
  complain(error);
}

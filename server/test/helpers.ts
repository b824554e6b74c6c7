import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Express } from 'express';
import request from 'supertest';
import type TestAgent from 'supertest/lib/agent';
import { TOKEN_HEADER } from '@ft/contract/token';
import { writeBundle } from '@ft/core/formats/bundle';
import type { Budget } from '../src/jobs/budget';
import type { Log } from '../src/log/log';
import { NO_LOG } from '../src/log/log';
import type { Program } from '../src/program';
import { startProgram as start } from '../src/program';
import { storesOf } from '../src/archive/wholeStudios';
import { documentsOf } from '../src/studios/documents';
import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';

export const TEST_TIME = '2026-03-01T10:00:00.000Z';

/** The worker as it ships, built before the tests run. */
export const WORKER_FILE = join(__dirname, '../dist/worker.mjs');

/** The small studio that most tests run on, as the demo of the program. */
const SMALL = saltglassRooms();
export const SMALL_DEMO = writeBundle(SMALL);
const SMALL_DOCUMENTS = documentsOf(SMALL);

/** A program on a data folder of its own. */
export interface TestProgram {
  readonly app: Express;
  /** The program as the studio network sees it. */
  readonly network: Express;
  readonly clock: { now: string };
  readonly api: TestAgent;
  /** What a page shows with whatever changes something. */
  readonly token: string;
  readonly folder: string;
  readonly said: string[];
  readonly program: Program;
  /** Closes the data and leaves its folder. */
  stop(): Promise<void>;
  /** Closes the data and removes its folder. */
  close(): Promise<void>;
}

/** In memory where the system offers it: every commit is flushed, and tests make thousands. */
const BASE = existsSync('/dev/shm') ? '/dev/shm' : tmpdir();

export const emptyFolder = (): string => mkdtempSync(join(BASE, 'ft-test-'));

/** A bound for what never comes, not for what is slow, ms. */
const PATIENCE_MS = 150_000;

/** Waits until something has come about. */
export async function until(condition: () => boolean | Promise<boolean>): Promise<void> {
  const end = Date.now() + PATIENCE_MS;
  while (!(await condition())) {
    if (Date.now() > end) throw new Error('what the test waits for did not come about');
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
}

export interface Start {
  readonly folder?: string;
  readonly demo?: string;
  readonly budget?: Budget;
  readonly log?: Log;
}

export async function startProgram({
  folder = emptyFolder(),
  demo = SMALL_DEMO,
  budget,
  log = NO_LOG,
}: Start = {}): Promise<TestProgram> {
  const clock = { now: TEST_TIME };
  const said: string[] = [];
  const program = await start({
    ...{ folder, log, version: '0.0.0', workerFile: WORKER_FILE },
    ...(budget && { budget }),
    now: () => clock.now,
    demo: () => demo,
    demoLog: () => [],
    say: (line) => said.push(line),
    door: () => ({ port: 4748, open: () => Promise.resolve(), close: () => Promise.resolve() }),
  });
  const { local: app, network, token } = program;
  const api = request.agent(app).set('Host', '127.0.0.1').set(TOKEN_HEADER, token);
  const stop = (): Promise<void> => program.stop();
  return {
    ...{ app, network, clock, folder, token, program, api, said, stop },
    async close() {
      await stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Puts the small studio in without asking for it: reading a bundle starts a thread. */
export const putSmallDemo = ({ program }: TestProgram): Promise<void> =>
  storesOf(program.database).store.create(SMALL_DOCUMENTS, TEST_TIME);

let changes = 0;

/** A change by `author` that sets the performer of a line of the demo. */
export function performerChange(value: string, was: string, author = 'desk', line = 'line-1'): object {
  const edit = {
    type: 'thread.set',
    session: 'lamplighters-ledger',
    id: line,
    field: 'performer',
    value,
    was,
  };
  return {
    author,
    change: { id: `change-${String(++changes)}-x`, label: `Performer ${value}`, edits: [edit] },
  };
}

export const DEMO = '/api/studios/saltglass-rooms';

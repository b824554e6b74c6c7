import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import type { Express } from 'express';
import request from 'supertest';
import type TestAgent from 'supertest/lib/agent';
import { createApps } from '../src/app';
import { openDatabase } from '../src/database';
import { StudioStore } from '../src/studioStore';

export const TEST_TIME = '2026-03-01T10:00:00.000Z';

/** A program on a data folder of its own. */
export interface Program {
  readonly app: Express;
  /** The program as the studio network sees it. */
  readonly network: Express;
  readonly clock: { now: string };
  readonly api: TestAgent;
  readonly file: string;
  /** Closes the data base and removes its folder. */
  close(): Promise<void>;
}

/** In memory where the system offers it: every commit is flushed, and tests make thousands. */
const BASE = existsSync('/dev/shm') ? '/dev/shm' : tmpdir();

export const emptyFolder = (): string => mkdtempSync(join(BASE, 'ft-test-'));

export async function startProgram(file = join(emptyFolder(), 'studios.sqlite')): Promise<Program> {
  const sequelize = await openDatabase(file);
  const clock = { now: TEST_TIME };
  const { local: app, network } = createApps({
    store: new StudioStore(sequelize),
    now: () => clock.now,
    door: () => ({ port: 4748, open: () => Promise.resolve(), close: () => Promise.resolve() }),
  });
  return {
    app,
    network,
    clock,
    file,
    api: request.agent(app).set('Host', '127.0.0.1'),
    async close() {
      await sequelize.close();
      rmSync(dirname(file), { recursive: true, force: true });
    },
  };
}

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

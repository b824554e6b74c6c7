import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';

const PORT = 4749;
const BASE = `http://127.0.0.1:${String(PORT)}`;

/** Starts the built program on a data folder and waits until it answers. */
async function start(data: string): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['server/dist/main.mjs', '--demo'], {
    env: { ...process.env, PORT: String(PORT), FT_DATA: data },
    stdio: 'ignore',
  });
  await expect
    .poll(
      () =>
        fetch(`${BASE}/api/health`).then(
          ({ ok }) => ok,
          () => false,
        ),
      { timeout: 15_000 },
    )
    .toBe(true);
  return server;
}

const kill = (server: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    server.on('exit', () => {
      resolve();
    });
    server.kill('SIGKILL');
  });

test('killed in the middle of edits, everything acknowledged is there after the restart', async () => {
  const data = mkdtempSync(join(tmpdir(), 'ft-kill-'));
  let acknowledged = 'Imke Tarrow';
  for (let round = 1; round <= 3; round++) {
    const server = await start(data);
    const post = async (value: string, was: string): Promise<boolean> => {
      const edit = {
        type: 'thread.set',
        session: 'lamplighters-ledger',
        id: 'line-1',
        field: 'performer',
        value,
        was,
      };
      const change = { id: `change-${value.replaceAll(' ', '-')}`, label: value, edits: [edit] };
      const response = await fetch(`${BASE}/api/studios/saltglass-rooms/changes`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ author: 'desk', change }),
      });
      return response.ok;
    };
    let inFlight = acknowledged;
    const edits = (async () => {
      for (let n = 1; ; n++) {
        inFlight = `Take ${String(round)} number ${String(n)}`;
        if (await post(inFlight, acknowledged)) acknowledged = inFlight;
      }
    })().catch(() => undefined);
    await expect.poll(() => acknowledged).toContain(`Take ${String(round)} number 1`);
    await new Promise((resolve) => setTimeout(resolve, 150 * round));
    await kill(server);
    await edits;

    const again = await start(data);
    const { studio } = (await (await fetch(`${BASE}/api/studios/saltglass-rooms`)).json()) as {
      studio: { sessions: { threads: { performer: string }[] }[] };
    };
    // The edit on its way when the program died may have made it too; none before it may be missing.
    const performer = studio.sessions[0]!.threads[0]!.performer;
    expect([acknowledged, inFlight]).toContain(performer);
    acknowledged = performer;
    await kill(again);
  }
  rmSync(data, { recursive: true });
});

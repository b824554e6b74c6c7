import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { HistoryPage } from '@ft/contract/history';
import { writeBundle } from '@ft/core/formats/bundle';
import { seeded } from '../../core/test/fixtures/seeded';
import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import { ServerProcess } from './serverProcess';
import { SoakClient } from './soakClient';
import type { Disk } from './torments';
import { asked, events, LANE, laneBundle, pause, ROOMS, torment } from './torments';

const DISK_MB = 512;
const PORT = 4860;
const minutes = (name: string, otherwise: number): number => {
  const at = process.argv.indexOf(name);
  return at < 0 ? otherwise : Number(process.argv[at + 1]);
};

/** A disk of its own, so that it can be filled; a plain folder where this user may not mount one. */
function ownDisk(): Disk {
  const folder = mkdtempSync(join(tmpdir(), 'ft-soak-'));
  try {
    const size = `size=${String(DISK_MB)}m`;
    execFileSync('mount', ['-t', 'tmpfs', '-o', size, 'tmpfs', folder], { stdio: 'ignore' });
    return { folder, isOwn: true };
  } catch {
    return { folder, isOwn: false };
  }
}

interface Pings {
  readonly asked: number;
  readonly median: number;
  readonly most99: number;
  readonly longest: number;
}

/** How long the simplest question takes, whatever else is going on. */
function startPinger(base: string): { readonly end: () => Promise<Pings> } {
  const child = spawn(process.execPath, ['server/dist/pinger.mjs', base]);
  let out = '';
  child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()));
  return {
    end: async () => {
      const gone = new Promise((resolve) => child.once('close', resolve));
      child.kill('SIGTERM');
      await gone;
      return JSON.parse(out) as Pings;
    },
  };
}

/** Ids of every change in the history of a studio. */
async function historyOf(server: ServerProcess, studioId: string): Promise<ReadonlyMap<string, number>> {
  const found = new Map<string, number>();
  for (let before = ''; ;) {
    const page = await asked<HistoryPage>(
      server,
      'GET',
      `/api/studios/${studioId}/history?author=x${before}`,
    );
    for (const { change } of page.entries) found.set(change, (found.get(change) ?? 0) + 1);
    if (!page.more) return found;
    before = `&before=${String(page.entries.at(-1)?.revision)}`;
  }
}

interface Outcome {
  readonly failures: string[];
  acknowledged: number;
}

/** Everything acknowledged is in the history once, and every window shows what the server holds. */
async function judged(server: ServerProcess, clients: readonly SoakClient[]): Promise<Outcome> {
  const outcome: Outcome = { failures: [], acknowledged: 0 };
  for (const studioId of [ROOMS, LANE]) {
    const own = clients.filter(({ name }) => (studioId === LANE) === name.startsWith('lane'));
    const history = await historyOf(server, studioId);
    const now = await asked<{ revision: number; incarnation: string; studio: unknown }>(
      server,
      'GET',
      `/api/studios/${studioId}`,
    );
    for (const client of own) {
      const ids = client.tally.acknowledged.get(now.incarnation) ?? new Set<string>();
      outcome.acknowledged += ids.size;
      const lost = [...ids].filter((id) => history.get(id) !== 1);
      if (lost.length > 0)
        outcome.failures.push(`${client.name}: ${String(lost.length)} acknowledged changes lost`);
      if (client.waiting > 0) outcome.failures.push(`${client.name}: ${String(client.waiting)} never sent`);
      if (client.standing.revision !== now.revision)
        outcome.failures.push(
          `${client.name}: stands at ${String(client.standing.revision)}, the server at ${String(now.revision)}`,
        );
      else if (client.document !== JSON.stringify(now.studio))
        outcome.failures.push(`${client.name}: shows something else than the server holds`);
    }
  }
  return outcome;
}

async function main(): Promise<void> {
  const total = minutes('--minutes', 30);
  const disk = ownDisk();
  const server = new ServerProcess(disk.folder, PORT);
  await server.start();
  const token = await server.token();
  for (const text of [writeBundle(saltglassRooms()), laneBundle()])
    await fetch(`${server.base}/api/bundles`, { method: 'POST', headers: token, body: text });
  const clients = Array.from({ length: 8 }, (_, i) => {
    const [name, studio] = i < 6 ? [`rooms${String(i)}`, ROOMS] : [`lane${String(i)}`, LANE];
    return new SoakClient(name, server, studio, seeded(100 + i), 250);
  });
  const living = clients.map((client) => client.live());
  const pinger = startPinger(server.base);
  const endMs = Date.now() + total * 60_000;
  // In the second half nobody kills it, so that its memory can be watched.
  const halfMs = Date.now() + total * 30_000;
  const memory: number[] = [];
  const watch = setInterval(() => {
    if (Date.now() > halfMs && !server.crashed) memory.push(server.memoryMb());
  }, 5000);
  await torment(server, disk, endMs, () => Date.now() < halfMs);
  clearInterval(watch);
  if (server.crashed) throw new Error('the program ended by itself');
  for (const client of clients) client.stopMaking();
  const settled = Date.now() + 120_000;
  const isSettled = async (): Promise<boolean> => {
    const { failures } = await judged(server, clients);
    return failures.length === 0;
  };
  while (Date.now() < settled && !(await isSettled())) await pause(1000);
  const { failures, acknowledged } = await judged(server, clients);
  const pings = await pinger.end();
  for (const client of clients) client.leave();
  await Promise.all(living);
  await server.end('SIGTERM');
  report(clients, pings, memory, acknowledged, [...failures, ...server.stacks]);
  const verified = execFileSync(process.execPath, ['server/dist/ft.mjs', 'verify'], {
    env: { ...process.env, FT_DATA: disk.folder },
    encoding: 'utf8',
  });
  console.log(verified.trim());
  if (disk.isOwn) execFileSync('umount', [disk.folder]);
  rmSync(disk.folder, { recursive: true, force: true });
  process.exitCode = failures.length + server.stacks.length === 0 ? 0 : 1;
}

function report(
  clients: readonly SoakClient[],
  pings: Pings,
  memory: readonly number[],
  acknowledged: number,
  failures: readonly string[],
): void {
  const sum = (of: (client: SoakClient) => number): number =>
    clients.reduce((total, client) => total + of(client), 0);
  const all = sum(({ tally }) => [...tally.acknowledged.values()].reduce((n, ids) => n + ids.size, 0));
  console.log(`what happened: ${JSON.stringify(events)}`);
  console.log(
    `changes: ${String(all)} acknowledged (${String(acknowledged)} in studios that are still there), ${String(sum(({ tally }) => tally.refused))} refused, ${String(sum(({ tally }) => tally.kept))} times kept and sent again, ${String(sum(({ tally }) => tally.strays))} left in a studio that went`,
  );
  const ms = (time: number): string => `${time.toFixed(0)} ms`;
  console.log(
    `a list of studios meanwhile: median ${ms(pings.median)}, 99 of 100 within ${ms(pings.most99)}, longest ${ms(pings.longest)} (${String(pings.asked)} asked)`,
  );
  const third = Math.floor(memory.length / 3);
  const mean = (list: readonly number[]): number =>
    list.reduce((a, b) => a + b, 0) / Math.max(1, list.length);
  console.log(
    `memory without kills: ${mean(memory.slice(third, 2 * third)).toFixed(0)} MB in the middle third, ${mean(memory.slice(2 * third)).toFixed(0)} MB in the last, most ${Math.max(0, ...memory).toFixed(0)} MB`,
  );
  console.log(failures.length === 0 ? 'nothing lost, all alike' : failures.join('\n'));
}

await main();

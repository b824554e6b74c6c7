import { spawn } from 'node:child_process';
import { rmSync, statfsSync } from 'node:fs';
import { connect } from 'node:net';
import type { Socket } from 'node:net';
import { join } from 'node:path';
import type { SharingState } from '@ft/contract/sharing';
import { writeBundle } from '@ft/core/formats/bundle';
import { seeded } from '../../core/test/fixtures/seeded';
import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import { generatedStudio } from '../generatedStudio';
import type { ServerProcess } from './serverProcess';

export const ROOMS = 'saltglass-rooms';
/** A studio that comes and goes while two clients work in it. */
export const LANE = 'glass-lane';

export const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** The disk that is filled; only one of its own may be. */
export interface Disk {
  readonly folder: string;
  readonly isOwn: boolean;
}

/** What was done to it, how often. */
export const events: Record<string, number> = {};
const happened = (what: string): void => {
  events[what] = (events[what] ?? 0) + 1;
};

/** Fills the disk to the last block for a while. */
async function fillDisk(folder: string): Promise<void> {
  const ballast = join(folder, 'ballast');
  const { bavail, bsize } = statfsSync(folder);
  // By another process: the windows here go on meanwhile.
  const blocks = String(Math.ceil((bavail * bsize) / 1_000_000));
  await new Promise((resolve) =>
    spawn('dd', ['if=/dev/zero', `of=${ballast}`, 'bs=1000000', `count=${blocks}`]).once('close', resolve),
  );
  happened('disk filled');
  await pause(4000);
  rmSync(ballast, { force: true });
}

/** A window that asks for events and never reads them. */
function lazyReader(server: ServerProcess): Socket {
  const socket = connect(Number(new URL(server.base).port), '127.0.0.1');
  socket.on('error', () => undefined);
  socket.pause();
  socket.write(`GET /api/studios/${ROOMS}/events HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n`);
  happened('slow reader');
  return socket;
}

/** Asks the program as its own page does. */
export async function asked<T>(
  server: ServerProcess,
  method: string,
  path: string,
  body?: object,
): Promise<T> {
  const answer = await fetch(`${server.base}${path}`, {
    method,
    headers: { 'Content-Type': 'application/json', ...(await server.token()) },
    ...(body && { body: JSON.stringify(body) }),
  });
  return (answer.status === 204 ? undefined : await answer.json()) as T;
}

/** Pairs a tablet that opens a stream, does not read it, and is revoked in the middle. */
async function revokedTablet(server: ServerProcess): Promise<void> {
  await asked(server, 'PUT', '/api/sharing', { isOpen: true });
  const { offer } = await asked<SharingState>(server, 'POST', '/api/sharing/offers', { role: 'tick' });
  const paired = await fetch(`${server.shareBase}/api/pair`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...(await server.token(server.shareBase)) },
    body: JSON.stringify({ code: offer?.code, name: 'Soak tablet' }),
  });
  const cookie = /ft_device=[^;]+/.exec(paired.headers.getSetCookie().join(';'))?.[0] ?? '';
  const socket = connect(Number(new URL(server.shareBase).port), '127.0.0.1');
  socket.on('error', () => undefined);
  socket.pause();
  socket.write(`GET /api/studios/${ROOMS}/events HTTP/1.1\r\nHost: 127.0.0.1\r\nCookie: ${cookie}\r\n\r\n`);
  await pause(2000);
  const { tablets } = await asked<SharingState>(server, 'GET', '/api/sharing');
  for (const { id } of tablets) await asked(server, 'DELETE', `/api/sharing/tablets/${id}`);
  happened('tablet revoked');
  socket.destroy();
}

async function reimport(server: ServerProcess, lane: string): Promise<void> {
  await asked(server, 'DELETE', `/api/studios/${LANE}`);
  await fetch(`${server.base}/api/bundles`, { method: 'POST', headers: await server.token(), body: lane });
  happened('studio removed and brought in again');
}

/** Something large to do for the server while others wait for answers. */
async function largeWork(server: ServerProcess, bundle: string): Promise<void> {
  await fetch(`${server.base}/api/bundles`, { method: 'POST', headers: await server.token(), body: bundle });
  const { id, sessions } = LARGE;
  const scene = `${String(sessions[0]?.id)}/scenes/${String(sessions[0]?.scenes[0]?.id)}`;
  await (await fetch(`${server.base}/api/studios/${id}/sessions/${scene}/patch-list.pdf`)).arrayBuffer();
  await asked(server, 'DELETE', `/api/studios/${id}`);
  happened('large import, and its patch list printed');
}

const LARGE = generatedStudio(20);

/** Kills, a full disk, slow readers, revoked tablets, re-imports: each at its own pace. */
export async function torment(
  server: ServerProcess,
  { folder, isOwn }: Disk,
  untilMs: number,
  withKills: () => boolean,
): Promise<void> {
  const dice = seeded(7);
  const lane = laneBundle();
  const large = writeBundle(LARGE);
  const lazy: Socket[] = [];
  while (Date.now() < untilMs) {
    await pause(2000 + dice.below(3000));
    if (server.crashed) return;
    try {
      if (dice.chance(0.25)) lazy.push(lazyReader(server));
      if (lazy.length > 6) lazy.shift()?.destroy();
      if (dice.chance(0.15)) await revokedTablet(server);
      if (dice.chance(0.15)) await reimport(server, lane);
      if (dice.chance(0.15)) await largeWork(server, large);
      if (isOwn && dice.chance(0.06)) await fillDisk(folder);
    } catch {
      happened('the tormentor was interrupted');
    }
    if (withKills() && dice.chance(0.25)) {
      const signal = dice.chance(0.8) ? 'SIGKILL' : 'SIGTERM';
      await server.end(signal);
      happened(signal === 'SIGKILL' ? 'killed' : 'stopped and started');
      await pause(dice.below(800));
      await server.start();
    }
  }
  for (const socket of lazy) socket.destroy();
}

/** The studio that comes and goes. */
export function laneBundle(): string {
  const studio = saltglassRooms();
  return writeBundle({ ...studio, id: LANE as typeof studio.id, name: 'Glass Lane' });
}

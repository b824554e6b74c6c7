import type { Response } from 'express';
import { Router } from 'express';
import { entryMessage } from './changeRoutes';
import { deviceOf } from './sharing/gate';
import type { Sharing } from './sharing/sharing';
import type { StudioDesk } from './studioDesk';
import { studioOr404 } from './studioRoutes';
import type { StudioStore } from './studioStore';

/** Proxies and browsers drop a silent connection; a comment now and then keeps it. */
const HEARTBEAT_MS = 20_000;

function send(response: Response, event: string, data: unknown, id?: number): void {
  response.write(
    `${id === undefined ? '' : `id: ${String(id)}\n`}event: ${event}\ndata: ${JSON.stringify(data)}\n\n`,
  );
}

/** Asked anew after every wait: a window may go at any time. */
const hasLeft = (response: Response): boolean => response.closed;

/** The revision a window already has: from its address, or from the browser when it reconnects. */
function sinceOf(query: unknown, lastEventId: string | undefined): number {
  const since = Number(lastEventId ?? query ?? 0);
  return Number.isInteger(since) && since >= 0 ? since : 0;
}

/**
 * Server-sent events of a studio: `entry` for every history line after `?since=`, `presence` when a
 * window comes or goes. A window that was away gets what it missed first.
 */
export function eventRoutes(store: StudioStore, desk: StudioDesk, sharing: Sharing): Router {
  const router = Router();
  const windows = new Map<string, Set<Response>>();
  const announce = (studioId: string): void => {
    const open = windows.get(studioId) ?? new Set();
    for (const response of open) send(response, 'presence', { windows: open.size });
  };
  const leave = (studioId: string, response: Response): void => {
    windows.get(studioId)?.delete(response);
    announce(studioId);
  };
  // A device that was revoked hears nothing more from that moment.
  sharing.onRevoked((deviceId) => {
    for (const open of windows.values())
      for (const response of open) if (deviceOf(response)?.id === deviceId) response.end();
  });
  desk.onEntry((studioId, entry) => {
    for (const response of windows.get(studioId) ?? [])
      send(response, 'entry', entryMessage(entry), entry.revision);
  });

  router.get('/studios/:id/events', async (request, response) => {
    const studioId = request.params.id;
    await studioOr404(desk, studioId);
    if (hasLeft(response)) return;
    const since = sinceOf(request.query['since'], request.get('last-event-id'));
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' });
    response.flushHeaders();
    // Joining before reading: a line written in between comes twice, and windows skip what they know.
    windows.set(studioId, (windows.get(studioId) ?? new Set<Response>()).add(response));
    const heartbeat = setInterval(() => response.write(': here\n\n'), HEARTBEAT_MS);
    // Leaving is listened for before anything is waited for: a window may go while its history is read.
    response.on('close', () => {
      clearInterval(heartbeat);
      leave(studioId, response);
    });
    const missed = await store.entriesSince(studioId, since);
    if (hasLeft(response)) return;
    for (const entry of missed) send(response, 'entry', entryMessage(entry), entry.revision);
    announce(studioId);
  });
  return router;
}

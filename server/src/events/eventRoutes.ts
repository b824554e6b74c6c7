import type { Request, Response } from 'express';
import { Router } from 'express';
import type { Gone } from '@ft/contract/events';
import { authorSchema } from '@ft/contract/author';
import { pointingSchema } from '@ft/contract/events';
import type { HistoryStore } from '../history/historyStore';
import { entryJson } from '../history/storedEntry';
import { bodyOf, textBody } from '../http/jsonBody';
import { authorOf, tabletOf } from '../network/gate';
import type { StudioStore } from '../studios/studioStore';
import { EventStream } from './eventStream';
import type { Window, Windows } from './windows';

/** A window that missed more than this loads the studio anew. */
const MOST_MISSED = 500;

/** The revision a window already has: from its address, or from the browser when it reconnects. */
function sinceOf(request: Request): number {
  const since = Number(request.get('last-event-id') ?? request.query['since'] ?? 0);
  return Number.isInteger(since) && since >= 0 ? since : 0;
}

/** Says once that there is nothing to listen to. */
function sayGone(response: Response, because: Gone['because']): void {
  response.end(`event: gone\ndata: ${JSON.stringify({ because } satisfies Gone)}\n\n`);
}

/**
 * Server-sent events of a studio: `entry` for every history line after `?since=`, `presence` when a window
 * comes or goes, `pointing` when one that shares its selection selects something, `gone` when the studio is not there any more or is another one than `?incarnation=`. A window
 * that was away gets what it missed first.
 */
// eslint-disable-next-line max-lines-per-function -- a table of routes
export function eventRoutes(store: StudioStore, history: HistoryStore, windows: Windows): Router {
  const router = Router();
  router.get('/studios/:id/events', async (request, response) => {
    const studioId = request.params.id;
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' });
    const meant = request.query['incarnation'];
    const since = sinceOf(request);
    const said = authorSchema.safeParse(request.query['author']);
    const tablet = tabletOf(response);
    const window: Window = {
      author: authorOf(response, said.success ? said.data : ''),
      ...(tablet !== undefined && { tablet }),
      stream: new EventStream(response, since, () => {
        windows.leave(studioId, window);
      }),
    };
    if (window.stream.ended) return;
    // Joining before reading: a line written in between is held back until those before it are told.
    windows.join(studioId, window);
    const standing = await store.standing(studioId);
    const isOther = typeof meant === 'string' && standing !== undefined && meant !== standing.incarnation;
    if (standing === undefined || isOther) {
      windows.leave(studioId, window);
      sayGone(response, isOther ? 'replaced' : 'removed');
      return;
    }
    if (standing.revision - since > MOST_MISSED) {
      windows.leave(studioId, window);
      sayGone(response, 'behind');
      return;
    }
    response.flushHeaders();
    const missed = await history.since(studioId, since, MOST_MISSED * 2);
    for (const entry of missed) window.stream.missed(entry.revision, entryJson(entry));
    window.stream.caughtUp();
    windows.announce(studioId);
    windows.tellPointing(studioId, window);
  });
  router.put<{ id: string }>('/studios/:id/pointing', textBody('2kb'), (request, response) => {
    windows.point(request.params.id, bodyOf(request, pointingSchema));
    response.status(204).end();
  });
  return router;
}

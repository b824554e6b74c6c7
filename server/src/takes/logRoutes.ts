import { Router } from 'express';
import { LOG_PAGE, postLogSchema } from '@ft/contract/takeLog';
import { bodyOf, textBody } from '../http/jsonBody';
import { notFound } from '../http/refusal';
import type { Windows } from '../events/windows';
import type { StudioStore } from '../studios/studioStore';
import type { LogStore } from './logStore';

interface Parts {
  readonly store: StudioStore;
  readonly takeLog: LogStore;
  readonly windows: Windows;
}

/** Takes, notes and punches of a session: read from a place on, and written by row. */
export function logRoutes({ store, takeLog, windows }: Parts): Router {
  const router = Router();
  router.get('/studios/:id/sessions/:session/log', async (request, response) => {
    const { id, session } = request.params;
    if ((await store.standing(id)) === undefined) throw notFound('studio');
    const since = Number(request.query['since'] ?? 0);
    const rows = await takeLog.since(id, session, Number.isInteger(since) ? since : 0, LOG_PAGE + 1);
    response.json({ rows: rows.slice(0, LOG_PAGE), more: rows.length > LOG_PAGE });
  });
  router.post<{ id: string; session: string }>(
    '/studios/:id/sessions/:session/log',
    textBody('2mb'),
    async (request, response) => {
      const { id, session } = request.params;
      const { ops } = bodyOf(request, postLogSchema);
      const answer = await takeLog.make(id, session, ops);
      if (answer === undefined) throw notFound('session');
      if (answer.rows.length > 0) windows.log(id, { session: session as never, rows: answer.rows });
      response.json(answer);
    },
  );
  return router;
}

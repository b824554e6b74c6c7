import compression from 'compression';
import express from 'express';
import type { Express } from 'express';
import { answerErrors, notFound } from './apiFailure';
import { changeRoutes } from './changeRoutes';
import { eventRoutes } from './eventRoutes';
import { localOnly } from './localOnly';
import { securityHeaders } from './securityHeaders';
import { sheetRoutes } from './sheetRoutes';
import { StudioDesk } from './studioDesk';
import { studioRoutes } from './studioRoutes';
import type { StudioStore } from './studioStore';
import { webFiles } from './webFiles';

export interface AppOptions {
  readonly store: StudioStore;
  /** The current time, ISO 8601. */
  readonly now: () => string;
  /** Folder of the built web application; without it the server is the API alone. */
  readonly webRoot?: string;
}

/** Events must leave at once, so they are not held back to be compressed. */
const compressible = (request: express.Request, response: express.Response): boolean =>
  !request.path.endsWith('/events') && compression.filter(request, response);

/** The whole server: security first, then the API, then the web application. */
export function createApp({ store, now, webRoot }: AppOptions): Express {
  const desk = new StudioDesk(store, now);
  const app = express();
  app.disable('x-powered-by');
  app.use(securityHeaders, localOnly, compression({ filter: compressible }));
  app.get('/api/health', (_request, response) => {
    response.json({ ok: true });
  });
  app.use(
    '/api',
    studioRoutes(store, desk, now),
    changeRoutes(store, desk),
    eventRoutes(store, desk),
    sheetRoutes(desk, now),
  );
  app.use('/api', () => {
    throw notFound('address');
  });
  if (webRoot !== undefined) app.use(webFiles(webRoot));
  app.use(answerErrors);
  return app;
}

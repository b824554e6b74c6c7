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
import { pairedOnly, ticksOnly } from './sharing/gate';
import type { Door } from './sharing/network';
import { ownAddressOnly } from './sharing/network';
import { Sharing } from './sharing/sharing';
import { meRoute, pairRoute, sharingRoutes } from './sharing/sharingRoutes';
import type { StudioStore } from './studioStore';
import { webFiles } from './webFiles';

export interface AppOptions {
  readonly store: StudioStore;
  /** The current time, ISO 8601. */
  readonly now: () => string;
  /** Folder of the built web application; without it the server is the API alone. */
  readonly webRoot?: string;
  /** Where the studio network would come in. */
  readonly door: (app: () => Express) => Door;
}

/** The program as this computer sees it, and as the studio network does where it is let in. */
export interface Apps {
  readonly local: Express;
  readonly network: Express;
  readonly sharing: Sharing;
}

/** Events must leave at once, so they are not held back to be compressed. */
const compressible = (request: express.Request, response: express.Response): boolean =>
  !request.path.endsWith('/events') && compression.filter(request, response);

/** An application from its API: security first, then the API, then the web application. */
function assemble(
  guard: express.RequestHandler,
  api: readonly express.RequestHandler[],
  webRoot?: string,
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(securityHeaders, guard, compression({ filter: compressible }));
  app.get('/api/health', (_request, response) => {
    response.json({ ok: true });
  });
  app.use('/api', ...api);
  app.use('/api', () => {
    throw notFound('address');
  });
  if (webRoot !== undefined) app.use(webFiles(webRoot));
  app.use(answerErrors);
  return app;
}

/** The whole server. Both sides share one desk, so that everybody sees the same at once. */
export function createApps({ store, now, webRoot, door }: AppOptions): Apps {
  const desk = new StudioDesk(store, now);
  const sharing: Sharing = new Sharing(
    door(() => network),
    now,
  );
  const work = [
    meRoute(),
    studioRoutes(store, desk, now),
    changeRoutes(store, desk),
    eventRoutes(store, desk, sharing),
    sheetRoutes(desk, now),
  ];
  const local = assemble(localOnly, [sharingRoutes(sharing), ...work], webRoot);
  const gate = [pairRoute(sharing), pairedOnly(sharing.devices, now), ticksOnly];
  const network: Express = assemble(ownAddressOnly, [...gate, ...work], webRoot);
  return { local, network, sharing };
}

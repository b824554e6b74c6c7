import compression from 'compression';
import type { LogRow } from '@ft/core/takes/logRows';
import express from 'express';
import type { Express } from 'express';
import { archiveRoutes } from './archive/archiveRoutes';
import { backupRoutes } from './archive/backupRoutes';
import type { Backups } from './database/backups';
import type { BackupSchedule } from './database/backupSchedule';
import type { Database } from './database/openDatabase';
import { eventRoutes } from './events/eventRoutes';
import { Windows } from './events/windows';
import { changeRoutes } from './history/changeRoutes';
import { HistoryStore } from './history/historyStore';
import { answerErrors } from './http/answerErrors';
import { localOnly } from './http/localOnly';
import { giveToken, needToken } from './http/pageToken';
import { notFound } from './http/refusal';
import { requestLog } from './http/requestLog';
import { securityHeaders } from './http/securityHeaders';
import { statusRoutes } from './http/statusRoutes';
import { webFiles } from './http/webFiles';
import type { JobPool } from './jobs/jobPool';
import { jobRoutes } from './jobs/jobRoutes';
import { Jobs } from './jobs/jobs';
import type { Log } from './log/log';
import type { Door } from './network/door';
import { ownAddressOnly } from './network/door';
import { pairedOnly, ticksOnly } from './network/gate';
import { Sharing } from './network/sharing';
import { meRoute, pairRoute, sharingRoutes } from './network/sharingRoutes';
import { TabletStore } from './network/tabletStore';
import { sheetRoutes } from './sheets/sheetRoutes';
import { Intake } from './studios/intake';
import { logRoutes } from './takes/logRoutes';
import { LogStore } from './takes/logStore';
import { sessionRoutes } from './studios/sessionRoutes';
import { StudioKeeper } from './studios/studioKeeper';
import { documentsOrRefuse, studioRoutes } from './studios/studioRoutes';
import { StudioStore } from './studios/studioStore';

export interface AppOptions {
  readonly database: Database;
  readonly pool: JobPool;
  readonly backups: Backups;
  readonly schedule: BackupSchedule;
  readonly log: Log;
  /** The data folder. */
  readonly folder: string;
  /** What a page shows with whatever changes something. */
  readonly token: string;
  readonly version: string;
  /** The current time, ISO 8601. */
  readonly now: () => string;
  /** The demo studio as a bundle, and the takes logged in it. */
  readonly demo: () => string;
  readonly demoLog: () => readonly LogRow[];
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
  readonly keeper: StudioKeeper;
  readonly windows: Windows;
  /** Puts the demo studio in, unless it is there. */
  putDemo(): Promise<void>;
}

/** Events must leave at once, so they are not held back to be compressed. */
const compressible = (request: express.Request, response: express.Response): boolean =>
  !request.path.endsWith('/events') && compression.filter(request, response);

/** Nothing of the API is kept by a browser: what it says is true for the moment. */
const noStore: express.RequestHandler = (_request, response, next) => {
  response.setHeader('Cache-Control', 'no-store');
  next();
};

/** An application from its API: security first, then the API, then the web application. */
function assemble(
  { token, log, webRoot }: AppOptions,
  guard: express.RequestHandler,
  api: readonly express.RequestHandler[],
): Express {
  const app = express();
  app.disable('x-powered-by');
  // Nothing of the API is kept, so nothing is asked for by its tag.
  app.disable('etag');
  app.use(requestLog(log), securityHeaders, guard, giveToken(token), compression({ filter: compressible }));
  app.use('/api', noStore);
  app.get('/api/health', (_request, response) => {
    response.json({ ok: true });
  });
  app.use('/api', needToken(token), ...api);
  app.use('/api', () => {
    throw notFound('address');
  });
  if (webRoot !== undefined) app.use(webFiles(webRoot));
  app.use(answerErrors(log));
  return app;
}

/** The whole server. Both sides share one keeper, so that everybody sees the same at once. */
// eslint-disable-next-line max-lines-per-function -- the wiring of the whole server on one screen
export function createApps(options: AppOptions): Apps {
  const { database, pool, log, now, door } = options;
  const { file } = database;
  const history = new HistoryStore(database);
  const store = new StudioStore(database, history);
  const takeLog = new LogStore(database);
  const tablets = new TabletStore(database);
  const jobs = new Jobs(pool);
  const windows = new Windows();
  const onListenerError = (error: unknown): void => {
    log.trouble('somebody who listens failed', error);
  };
  const keeper = new StudioKeeper({ store, history, pool, now, onListenerError });
  keeper.listen({
    entry: (studioId, entry, undo) => {
      windows.entry(studioId, entry, undo);
    },
    gone: (studioId) => {
      windows.gone(studioId, 'removed');
    },
  });
  const sharing: Sharing = new Sharing(
    tablets,
    door(() => network),
    now,
  );
  sharing.onRevoked((tabletId) => {
    windows.revoked(tabletId);
  });
  const intake = new Intake(store, keeper, takeLog, now);
  const parts = {
    ...options,
    intake,
    store,
    history,
    takeLog,
    tablets,
    keeper,
    jobs,
    windows,
    file,
    startedAt: now(),
  };
  const work = [
    meRoute(),
    statusRoutes(parts),
    jobRoutes(jobs),
    studioRoutes(parts),
    sessionRoutes(parts),
    changeRoutes(parts),
    logRoutes(parts),
    eventRoutes(store, history, windows),
    sheetRoutes(parts),
  ];
  const ours = [sharingRoutes(sharing), backupRoutes(parts), archiveRoutes(parts)];
  const local = assemble(options, localOnly, [...ours, ...work]);
  const gate = [pairRoute(sharing), pairedOnly(tablets, now), ticksOnly];
  const network: Express = assemble(options, ownAddressOnly, [...gate, ...work]);
  const putDemo = async (): Promise<void> => {
    const documents = documentsOrRefuse(await pool.run('readBundle', options.demo()));
    await intake.take(documents, options.demoLog());
  };
  return { local, network, sharing, keeper, windows, putDemo };
}

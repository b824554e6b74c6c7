import express, { Router } from 'express';
import { ApiFailure } from '../http/refusal';
import { wantedBy } from '../jobs/jobRoutes';
import type { Jobs } from '../jobs/jobs';
import type { HistoryStore } from '../history/historyStore';
import type { TabletStore } from '../network/tabletStore';
import { adopt } from '../studios/adoption';
import type { StudioKeeper } from '../studios/studioKeeper';
import type { LogStore } from '../takes/logStore';
import type { StudioStore } from '../studios/studioStore';
import type { BundleAt } from './writeArchive';
import { writeArchive } from './writeArchive';

/** The largest archive taken in: years of several studios. */
const ARCHIVE_LIMIT = '100mb';

interface Parts {
  readonly store: StudioStore;
  readonly history: HistoryStore;
  readonly tablets: TabletStore;
  readonly takeLog: LogStore;
  readonly keeper: StudioKeeper;
  readonly jobs: Jobs;
  readonly now: () => string;
}

/** Everything in one file, out and in again. For this computer alone. */
export function archiveRoutes(parts: Parts): Router {
  const { store, jobs, now } = parts;
  const router = Router();
  router.get('/archive', async (request, response) => {
    const wanted = wantedBy(request, response);
    const bundleOf = async (id: string): Promise<BundleAt | undefined> => {
      const stored = await store.read(id);
      if (stored === undefined) return undefined;
      return { text: await jobs.run('bundle', stored.documents, wanted), revision: stored.revision };
    };
    const day = now().slice(0, 10);
    response.attachment(`faithful-thread-${day}.thread.zip`).type('application/zip');
    await writeArchive(response, now(), { ...parts, bundleOf });
  });
  router.post(
    '/archives',
    express.raw({ type: () => true, limit: ARCHIVE_LIMIT }),
    async (request, response) => {
      const bytes = new Uint8Array(Buffer.isBuffer(request.body) ? request.body : []);
      const reading = await jobs.run('readArchive', bytes, wantedBy(request, response));
      if (!reading.ok)
        throw new ApiFailure(
          422,
          'archive-refused',
          'The archive was not taken in. Nothing was stored.',
          reading.problems,
        );
      const ids: string[] = [];
      for (const studio of reading.studios)
        ids.push(await adopt(studio, `archive of ${now().slice(0, 10)}`, parts));
      response.status(201).json({ ids });
    },
  );
  return router;
}

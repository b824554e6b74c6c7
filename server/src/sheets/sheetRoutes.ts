import type { Request, Response } from 'express';
import { Router } from 'express';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { notFound } from '../http/refusal';
import { wantedBy } from '../jobs/jobRoutes';
import type { Jobs } from '../jobs/jobs';
import type { StudioStore } from '../studios/studioStore';
import type { LogStore } from '../takes/logStore';

/** Sheets by the name of their file: the job that makes one, and what it is. */
const SHEETS = {
  'patch-list.csv': { task: 'patchListCsv', type: 'text/csv; charset=utf-8' },
  'patch-list.pdf': { task: 'patchListPdf', type: 'application/pdf' },
  'console.pdf': { task: 'consolePdf', type: 'application/pdf' },
  'cues.pdf': { task: 'cuesPdf', type: 'application/pdf' },
  'inserts.csv': { task: 'insertsCsv', type: 'text/csv; charset=utf-8' },
  'inserts.pdf': { task: 'insertsPdf', type: 'application/pdf' },
  'names.csv': { task: 'namesCsv', type: 'text/csv; charset=utf-8' },
  'names.pdf': { task: 'namesPdf', type: 'application/pdf' },
  'summing.csv': { task: 'summingCsv', type: 'text/csv; charset=utf-8' },
  'summing.pdf': { task: 'summingPdf', type: 'application/pdf' },
  'line-up.pdf': { task: 'lineUpPdf', type: 'application/pdf' },
  'takes.pdf': { task: 'takesPdf', type: 'application/pdf' },
} as const;

interface Parts {
  readonly store: StudioStore;
  readonly jobs: Jobs;
  readonly takeLog: LogStore;
  readonly now: () => string;
}

/** Sheets on paper and as files. They are planned and drawn beside the server, within a budget. */
export function sheetRoutes({ store, jobs, takeLog, now }: Parts): Router {
  const router = Router();
  const give = async (request: Request, response: Response, name: keyof typeof SHEETS): Promise<void> => {
    const { id, session, scene } = request.params as Record<'id' | 'session' | 'scene', string>;
    const stored = await store.read(id);
    if (stored === undefined) throw notFound('studio');
    const { documents, revision } = stored;
    const place = { session, scene } as ScenePlace;
    const { task, type } = SHEETS[name];
    const { device } = request.query;
    const rows = name === 'takes.pdf' ? await takeLog.ofSession(id, session) : undefined;
    const input = {
      ...{ documents, revision, place, printedAt: now() },
      ...(typeof device === 'string' && { device }),
      ...(rows !== undefined && { rows }),
    };
    const sheet = await jobs.run(task, input, wantedBy(request, response));
    if (sheet === undefined) throw notFound(name === 'console.pdf' ? 'console' : 'scene');
    response
      .attachment(`${session}-${scene}-${name}`)
      .type(type)
      .send(typeof sheet === 'string' ? sheet : Buffer.from(sheet));
  };
  for (const name of Object.keys(SHEETS) as (keyof typeof SHEETS)[])
    router.get(`/studios/:id/sessions/:session/scenes/:scene/${name}`, (request, response) =>
      give(request, response, name),
    );
  return router;
}

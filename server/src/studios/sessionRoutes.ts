import { Router } from 'express';
import type { StudioFindings } from '@ft/contract/studios';
import { notFound } from '../http/refusal';
import { wantedBy } from '../jobs/jobRoutes';
import type { Jobs } from '../jobs/jobs';
import type { Standing } from './documents';
import type { StudioStore } from './studioStore';

interface Parts {
  readonly store: StudioStore;
  readonly jobs: Jobs;
  readonly now: () => string;
}

interface Known {
  /** The studio and its revision they were found at. */
  readonly at: string;
  readonly findings: StudioFindings;
}

const atOf = ({ incarnation, revision }: Standing): string => `${incarnation} ${String(revision)}`;

/** What the first screen asks of the sessions of a studio, beside their names. */
export function sessionRoutes({ store, jobs, now }: Parts): Router {
  const router = Router();
  /** What was found last in each studio; it is true until the studio changes. */
  const known = new Map<string, Known>();
  router.get('/studios/:id/findings', async (request, response) => {
    const { id } = request.params;
    const standing = await store.standing(id);
    const last = known.get(id);
    if (standing !== undefined && last?.at === atOf(standing)) {
      response.json(last.findings);
      return;
    }
    const stored = await store.read(id);
    if (stored === undefined) throw notFound('studio');
    const findings = await jobs.run('findings', stored.documents, wantedBy(request, response));
    known.set(id, { at: atOf(stored), findings });
    response.json(findings);
  });
  router.put('/studios/:id/sessions/:session/opened', async (request, response) => {
    const { id, session } = request.params;
    if (!(await store.opened(id, session, now()))) throw notFound('session');
    response.status(204).end();
  });
  return router;
}

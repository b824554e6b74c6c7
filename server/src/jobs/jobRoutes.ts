import type { Request, Response } from 'express';
import { Router } from 'express';
import { JOB_HEADER, jobIdSchema } from '@ft/contract/jobs';
import { notFound } from '../http/refusal';
import { tabletOf } from '../network/gate';
import type { Asker, Jobs, Wanted } from './jobs';
import { THIS_COMPUTER } from './jobs';

export const askerOf = (response: Response): Asker => tabletOf(response)?.id ?? THIS_COMPUTER;

/** A job of a request: named by its header, ended when the window that asked has gone. */
export function wantedBy(request: Request, response: Response): Wanted {
  const left = new AbortController();
  response.on('close', () => {
    if (!response.writableFinished) left.abort();
  });
  const named = jobIdSchema.safeParse(request.get(JOB_HEADER));
  return { asker: askerOf(response), signal: left.signal, ...(named.success && { id: named.data }) };
}

/** How far a job is, and ending it. */
export function jobRoutes(jobs: Jobs): Router {
  const router = Router();
  router.get('/jobs/:id', (request, response) => {
    response.json(jobs.state(request.params.id, askerOf(response)));
  });
  router.delete('/jobs/:id', (request, response) => {
    if (!jobs.cancel(request.params.id, askerOf(response))) throw notFound('job');
    response.status(204).end();
  });
  return router;
}

import { Router } from 'express';
import { beginStudioSchema } from '@ft/contract/studios';
import { ApiFailure, notFound } from '../http/refusal';
import { bodyOf, textBody, textOf } from '../http/jsonBody';
import type { LogRow } from '@ft/core/takes/logRows';
import type { ReadDocuments } from '../jobs/readBundleTask';
import { wantedBy } from '../jobs/jobRoutes';
import type { Jobs } from '../jobs/jobs';
import type { Started } from '../jobs/startTask';
import type { Documents } from './documents';
import { documentsOf, studioAtJson } from './documents';
import type { Intake } from './intake';
import { newStudio } from './newStudio';
import type { StudioKeeper } from './studioKeeper';
import type { StudioStore } from './studioStore';

/** The largest bundle taken in. A facility of 20 bays is about 5 MB. */
const BUNDLE_LIMIT = '20mb';

/** What was read, or a refusal that lists every problem. */
export function documentsOrRefuse(reading: ReadDocuments): Documents {
  if (reading.ok) return reading.documents;
  const { problems } = reading;
  const count = problems.length === 1 ? 'one problem' : `${String(problems.length)} problems`;
  throw new ApiFailure(
    422,
    'bundle-refused',
    `The bundle was not taken in: it has ${count}. Nothing was stored.`,
    problems,
  );
}

/** The documents of a room that was begun, or a refusal that says what would fit. */
function startedOrRefuse(started: Started): Documents {
  if (started.ok) return started.documents;
  throw new ApiFailure(422, 'room-refused', 'The room was not made. Nothing was stored.', started.problems);
}

interface Parts {
  readonly store: StudioStore;
  readonly keeper: StudioKeeper;
  readonly intake: Intake;
  readonly jobs: Jobs;
  /** The demo studio as a bundle, and the takes logged in it. */
  readonly demo: () => string;
  readonly demoLog: () => readonly LogRow[];
}

/** Listing, beginning, importing, exporting and removing studios. */
// eslint-disable-next-line max-lines-per-function -- a table of routes
export function studioRoutes({ store, keeper, intake, jobs, demo, demoLog }: Parts): Router {
  const router = Router();
  router.get('/studios', async (_request, response) => {
    response.json({ studios: await store.list() });
  });
  router.post('/studios', textBody('10kb'), async (request, response) => {
    const { name, room } = bodyOf(request, beginStudioSchema);
    const taken = new Set((await store.list()).map(({ id }) => id));
    const empty = newStudio(name, taken);
    const documents =
      room === undefined
        ? documentsOf(empty)
        : startedOrRefuse(await jobs.run('start', { id: empty.id, name, room }, wantedBy(request, response)));
    await intake.take(documents);
    response.status(201).json({ id: empty.id });
  });
  // Asking for the demo again opens the one that is there.
  router.post('/studios/demo', async (request, response) => {
    const documents = documentsOrRefuse(await jobs.run('readBundle', demo(), wantedBy(request, response)));
    const isNew = await intake.take(documents, demoLog());
    response.status(isNew ? 201 : 200).json({ id: documents.id });
  });
  router.post('/bundles', textBody(BUNDLE_LIMIT), async (request, response) => {
    const reading = await jobs.run('readBundle', textOf(request), wantedBy(request, response));
    const { id, name, ...parts } = documentsOrRefuse(reading);
    if (!(await intake.take({ id, name, ...parts })))
      throw new ApiFailure(
        409,
        'already-here',
        `“${name}” is here already (id ${id}). Open it, or remove it on the first screen before you import it again.`,
      );
    response.status(201).json({ id });
  });
  router.get('/studios/:id', async (request, response) => {
    const stored = await store.read(request.params.id);
    if (stored === undefined) throw notFound('studio');
    response.type('json').send(studioAtJson(stored));
  });
  router.get('/studios/:id/summary', async (request, response) => {
    const summary = await store.summary(request.params.id);
    if (summary === undefined) throw notFound('studio');
    response.json(summary);
  });
  router.get('/studios/:id/bundle', async (request, response) => {
    const { id } = request.params;
    const stored = await store.read(id);
    if (stored === undefined) throw notFound('studio');
    const text = await jobs.run('bundle', stored.documents, wantedBy(request, response));
    response.attachment(`${id}.thread.json`).type('application/json').send(text);
  });
  router.delete('/studios/:id', async (request, response) => {
    if (!(await keeper.remove(request.params.id))) throw notFound('studio');
    response.status(204).end();
  });
  return router;
}

import express, { Router } from 'express';
import { beginStudioSchema } from '@ft/contract/api';
import type { StudioAt as StudioAtMessage } from '@ft/contract/api';
import { readBundle, writeBundle } from '@ft/core/formats/bundle';
import { problemLine } from '@ft/core/session/problemWording';
import type { Studio } from '@ft/core/session/studioSchema';
import { saltglassRooms } from '@ft/demo/saltglass';
import { ApiFailure, notFound } from './apiFailure';
import { newStudio } from './newStudio';
import type { StudioDesk } from './studioDesk';
import type { StudioAt, StudioStore } from './studioStore';

/** The largest bundle taken in. A facility of 20 bays is about 5 MB. */
const BUNDLE_LIMIT = '20mb';

export async function studioOr404(desk: StudioDesk, id: string): Promise<StudioAt> {
  const found = await desk.read(id);
  if (found === undefined) throw notFound('studio');
  return found;
}

async function createOnce(store: StudioStore, desk: StudioDesk, studio: Studio, at: string): Promise<void> {
  await desk.exclusively(studio.id, async () => {
    if ((await store.read(studio.id)) !== undefined)
      throw new ApiFailure(
        409,
        'already-here',
        `“${studio.name}” is here already (id ${studio.id}). Open it, or remove it on the first screen before you import it again.`,
      );
    await store.create(studio, at);
  });
}

/** A bundle from its text, or a refusal that lists every problem. */
function studioFrom(text: string): Studio {
  const reading = readBundle(text);
  if (reading.ok) return reading.studio;
  const problems = reading.problems.map(problemLine);
  const count = problems.length === 1 ? 'one problem' : `${String(problems.length)} problems`;
  throw new ApiFailure(
    422,
    'bundle-refused',
    `The bundle was not taken in: it has ${count}. Nothing was stored.`,
    problems,
  );
}

/** Listing, beginning, importing, exporting and removing studios. */
export function studioRoutes(store: StudioStore, desk: StudioDesk, now: () => string): Router {
  const router = Router();
  router.get('/studios', async (_request, response) => {
    response.json({ studios: await store.list() });
  });
  router.post('/studios', express.json({ limit: '10kb' }), async (request, response) => {
    const { name } = beginStudioSchema.parse(request.body);
    const taken = new Set((await store.list()).map(({ id }) => id));
    const studio = newStudio(name, taken);
    await createOnce(store, desk, studio, now());
    response.status(201).json({ id: studio.id });
  });
  // Asking for the demo again opens the one that is there.
  router.post('/studios/demo', async (_request, response) => {
    const demo = saltglassRooms();
    const made = await desk.exclusively(demo.id, async () => {
      if ((await store.read(demo.id)) !== undefined) return false;
      await store.create(demo, now());
      return true;
    });
    response.status(made ? 201 : 200).json({ id: demo.id });
  });
  router.post(
    '/bundles',
    express.text({ type: () => true, limit: BUNDLE_LIMIT }),
    async (request, response) => {
      const studio = studioFrom(typeof request.body === 'string' ? request.body : '');
      await createOnce(store, desk, studio, now());
      response.status(201).json({ id: studio.id });
    },
  );
  router.get('/studios/:id', async (request, response) => {
    const { studio, revision } = await studioOr404(desk, request.params.id);
    response.json({ studio, revision } satisfies StudioAtMessage);
  });
  router.get('/studios/:id/bundle', async (request, response) => {
    const { studio } = await studioOr404(desk, request.params.id);
    response.attachment(`${studio.id}.thread.json`).type('application/json').send(writeBundle(studio));
  });
  router.delete('/studios/:id', async (request, response) => {
    const { id } = request.params;
    const removed = await desk.exclusively(id, () => store.remove(id));
    if (!removed) throw notFound('studio');
    response.status(204).end();
  });
  return router;
}

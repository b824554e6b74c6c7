import { Router } from 'express';
import { patchListCsv } from '@ft/core/formats/patchListCsv';
import { patchList } from '@ft/core/plan/patchList';
import { planOf } from '@ft/core/plan/plan';
import { findScene } from '@ft/core/plan/scenePlace';
import type { ScenePlace } from '@ft/core/plan/scenePlace';
import { notFound } from './apiFailure';
import type { PatchSheet } from './patchListPdf';
import type { StudioDesk } from './studioDesk';
import { studioOr404 } from './studioRoutes';

/** The patch list of a scene as the paper and the file need it. */
async function patchSheet(
  desk: StudioDesk,
  studioId: string,
  place: ScenePlace,
  printedAt: string,
): Promise<PatchSheet> {
  const { studio, revision } = await studioOr404(desk, studioId);
  const found = findScene(studio, place);
  if (found === undefined) throw notFound('scene');
  const { plan, context } = planOf(studio.rig, found.session, found.scene, studio.floor);
  return {
    studio: studio.name,
    session: found.session.name,
    scene: found.scene.name,
    revision,
    printedAt,
    lines: patchList(context),
    findings: plan.findings,
  };
}

/** Sheets on paper and as files. */
export function sheetRoutes(desk: StudioDesk, now: () => string): Router {
  const router = Router();
  const base = '/studios/:id/sessions/:session/scenes/:scene';
  router.get(`${base}/patch-list.csv`, async (request, response) => {
    const { id, session, scene } = request.params as Record<'id' | 'session' | 'scene', string>;
    const sheet = await patchSheet(desk, id, { session, scene } as ScenePlace, now());
    response
      .attachment(`${session}-${scene}-patch-list.csv`)
      .type('text/csv; charset=utf-8')
      .send(patchListCsv(sheet.lines));
  });
  router.get(`${base}/patch-list.pdf`, async (request, response) => {
    const { id, session, scene } = request.params as Record<'id' | 'session' | 'scene', string>;
    // The PDF library is large and read only when the first sheet is printed.
    const { patchListPdf } = await import('./patchListPdf');
    const pdf = await patchListPdf(await patchSheet(desk, id, { session, scene } as ScenePlace, now()));
    response.attachment(`${session}-${scene}-patch-list.pdf`).type('application/pdf').send(pdf);
  });
  return router;
}

import { Router } from 'express';
import { patchListCsv } from '@ft/core/formats/patchListCsv';
import { lineUpSheet } from '@ft/core/plan/levels/lineUpSheet';
import { patchList } from '@ft/core/plan/patchList';
import { planOf } from '@ft/core/plan/plan';
import { findScene } from '@ft/core/plan/scenePlace';
import type { ScenePlace } from '@ft/core/plan/scenePlace';
import { notFound } from './apiFailure';
import type { PatchSheet } from './patchListPdf';
import type { SheetHead } from './sheetPdf';
import type { StudioDesk } from './studioDesk';
import { studioOr404 } from './studioRoutes';

/** A scene worked out, with what identifies it on paper. */
async function sheetOf(desk: StudioDesk, studioId: string, place: ScenePlace, printedAt: string) {
  const { studio, revision } = await studioOr404(desk, studioId);
  const found = findScene(studio, place);
  if (found === undefined) throw notFound('scene');
  const { session, scene } = found;
  const names = { studio: studio.name, session: session.name, scene: scene.name };
  const head: SheetHead = { ...names, revision, printedAt };
  return { head, ...planOf(studio.rig, session, scene, studio.floor) };
}

/** The patch list of a scene as the paper and the file need it. */
async function patchSheet(...asked: Parameters<typeof sheetOf>): Promise<PatchSheet> {
  const { head, plan, context } = await sheetOf(...asked);
  return { ...head, lines: patchList(context), findings: plan.findings };
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
  router.get(`${base}/line-up.pdf`, async (request, response) => {
    const { id, session, scene } = request.params as Record<'id' | 'session' | 'scene', string>;
    const { lineUpPdf } = await import('./lineUpPdf');
    const { head, context } = await sheetOf(desk, id, { session, scene } as ScenePlace, now());
    const pdf = await lineUpPdf({ ...head, rows: lineUpSheet(context) });
    response.attachment(`${session}-${scene}-line-up.pdf`).type('application/pdf').send(pdf);
  });
  return router;
}

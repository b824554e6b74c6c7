import express, { Router } from 'express';
import { authorSchema, postChangeSchema, postUndoSchema } from '@ft/contract/api';
import type { EntryMessage, HistoryLine, UndoState } from '@ft/contract/api';
import type { Entry } from '@ft/core/edits/ledger';
import { refusalSentence } from '@ft/core/edits/refusalWording';
import { ApiFailure, notFound } from './apiFailure';
import { areTicks, deviceOf, mayOnlyTick } from './sharing/gate';
import type { DeskAnswer, Maker, StudioDesk } from './studioDesk';
import { studioOr404 } from './studioRoutes';
import type { StudioStore } from './studioStore';

const MISSING = {
  'nothing-to-undo': 'There is nothing of yours to undo.',
  'nothing-to-redo': 'There is nothing to redo.',
} as const;

/** A history line as windows get it: what was done, not what would take it back. */
export const entryMessage = ({ inverse: _inverse, edits, ...line }: Entry): EntryMessage => ({
  ...line,
  edits: [...edits],
});

function entryOrFailure(answer: DeskAnswer): EntryMessage {
  if (answer.ok) return entryMessage(answer.entry);
  if ('refusal' in answer) throw new ApiFailure(409, answer.refusal.code, refusalSentence(answer.refusal));
  if (answer.missing === 'studio') throw notFound('studio');
  throw new ApiFailure(409, answer.missing, MISSING[answer.missing]);
}

/** Who asks, and on which paired device. */
function maker(response: express.Response, author: string): Maker {
  const device = deviceOf(response)?.name;
  return { author, ...(device !== undefined && { device }) };
}

const historyLine = ({ edits, inverse: _inverse, ...line }: Entry): HistoryLine => ({
  ...line,
  editCount: edits.length,
});

/** Changing a studio, undoing, and its history. */
export function changeRoutes(store: StudioStore, desk: StudioDesk): Router {
  const router = Router();
  const json = express.json({ limit: '5mb' });
  /** A device that may only tick takes back ticks alone. */
  const mayTakeBack = async (
    studioId: string,
    response: express.Response,
    revision: number | undefined,
  ): Promise<void> => {
    if (deviceOf(response)?.role !== 'tick' || revision === undefined) return;
    const entry = await store.entryAt(studioId, revision);
    if (entry !== undefined && !areTicks(entry.edits)) throw mayOnlyTick();
  };
  router.post('/studios/:id/changes', json, async (request, response) => {
    const { author, change } = postChangeSchema.parse(request.body);
    if (deviceOf(response)?.role === 'tick' && !areTicks(change.edits)) throw mayOnlyTick();
    response.json(entryOrFailure(await desk.submit(request.params.id, change, maker(response, author))));
  });
  router.post('/studios/:id/undo', json, async (request, response) => {
    const { author, change, revision } = postUndoSchema.parse(request.body);
    await mayTakeBack(
      request.params.id,
      response,
      revision ?? (await desk.targets(request.params.id, author)).undo,
    );
    response.json(
      entryOrFailure(await desk.undo(request.params.id, maker(response, author), change, revision)),
    );
  });
  router.post('/studios/:id/redo', json, async (request, response) => {
    const { author, change } = postUndoSchema.parse(request.body);
    await mayTakeBack(request.params.id, response, (await desk.targets(request.params.id, author)).redo);
    response.json(entryOrFailure(await desk.redo(request.params.id, maker(response, author), change)));
  });
  router.get('/studios/:id/history', async (request, response) => {
    await studioOr404(desk, request.params.id);
    const entries = await store.entriesSince(request.params.id, 0);
    response.json({ entries: entries.map(historyLine).reverse() });
  });
  router.get('/studios/:id/undo-state', async (request, response) => {
    const author = authorSchema.parse(request.query['author']);
    await studioOr404(desk, request.params.id);
    const stack = await store.stackOf(request.params.id);
    const targets = await desk.targets(request.params.id, author);
    const named = (revision: number | undefined): { revision: number; label: string } | undefined => {
      const row = stack.find((entry) => entry.revision === revision);
      return row && { revision: row.revision, label: row.label.replace(/^(Undo|Redo): /, '') };
    };
    const [undo, redo] = [named(targets.undo), named(targets.redo)];
    response.json({ ...(undo && { undo }), ...(redo && { redo }) } satisfies UndoState);
  });
  return router;
}

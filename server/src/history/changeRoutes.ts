import type { Request, Response } from 'express';
import { Router } from 'express';
import { authorSchema } from '@ft/contract/author';
import { HISTORY_PAGE } from '@ft/contract/history';
import { postUndoSchema } from '@ft/contract/posts';
import { notFound } from '../http/refusal';
import { bodyOf, readOrRefuse, textBody, textOf } from '../http/jsonBody';
import { wantedBy } from '../jobs/jobRoutes';
import type { Jobs } from '../jobs/jobs';
import { authorOf, makerOf } from '../network/gate';
import { LARGE_TEXT } from '../studios/documents';
import type { Answer } from '../studios/keeping';
import type { StudioKeeper } from '../studios/studioKeeper';
import type { StudioStore } from '../studios/studioStore';
import { answerFailure } from './answerFailure';
import type { ChangeRequest } from './changeRequest';
import { readChange } from './changeRequest';
import type { HistoryStore } from './historyStore';
import { entryJson } from './storedEntry';

/** The largest change taken in: twenty thousand edits and what they replace. */
const CHANGE_LIMIT = '20mb';

function send(response: Response, answer: Answer): void {
  if (answer.ok) {
    response.type('json').send(entryJson(answer.entry, answer.undo));
    return;
  }
  throw answerFailure(answer);
}

const idOf = (request: Request): string => String(request.params['id']);

interface Parts {
  readonly store: StudioStore;
  readonly history: HistoryStore;
  readonly keeper: StudioKeeper;
  readonly jobs: Jobs;
}

/** Changing a studio, undoing, and its history. */
// eslint-disable-next-line max-lines-per-function -- a table of routes
export function changeRoutes({ store, history, keeper, jobs }: Parts): Router {
  const router = Router();
  /** A large change is read beside the server: others are answered meanwhile. */
  const changeOf = async (request: Request, response: Response): Promise<ChangeRequest> => {
    const text = textOf(request);
    return readOrRefuse(
      text.length > LARGE_TEXT
        ? await jobs.run('readChange', text, wantedBy(request, response))
        : readChange(text),
    );
  };
  router.post('/studios/:id/changes', textBody(CHANGE_LIMIT), async (request, response) => {
    const { author, incarnation, change } = await changeOf(request, response);
    send(response, await keeper.submit(idOf(request), change, makerOf(response, author), incarnation));
  });
  router.post('/studios/:id/undo', textBody('10kb'), async (request, response) => {
    const { author, change, ...about } = bodyOf(request, postUndoSchema);
    send(response, await keeper.undo(idOf(request), makerOf(response, author), change, about));
  });
  router.post('/studios/:id/redo', textBody('10kb'), async (request, response) => {
    const { author, change, incarnation } = bodyOf(request, postUndoSchema);
    send(response, await keeper.redo(idOf(request), makerOf(response, author), change, incarnation));
  });
  router.get('/studios/:id/history', async (request, response) => {
    const { id } = request.params;
    if ((await store.standing(id)) === undefined) throw notFound('studio');
    const author = authorOf(response, authorSchema.catch('').parse(request.query['author']));
    const before = Number(request.query['before'] ?? Number.MAX_SAFE_INTEGER);
    const entries = await history.page(
      id,
      Number.isInteger(before) ? before : Number.MAX_SAFE_INTEGER,
      HISTORY_PAGE + 1,
      author,
    );
    const more = entries.length > HISTORY_PAGE;
    response.json({ entries: entries.slice(0, HISTORY_PAGE), more });
  });
  router.get('/studios/:id/undo-state', async (request, response) => {
    const author = authorSchema.parse(request.query['author']);
    if ((await store.standing(request.params.id)) === undefined) throw notFound('studio');
    response.json(await history.undoState(request.params.id, authorOf(response, author)));
  });
  return router;
}

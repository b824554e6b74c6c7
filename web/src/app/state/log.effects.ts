import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { concatLatestFrom } from '@ngrx/operators';
import type { Action } from '@ngrx/store';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import {
  catchError,
  concat,
  concatMap,
  distinctUntilChanged,
  EMPTY,
  filter,
  from,
  map,
  merge,
  of,
  switchMap,
  take,
  takeUntil,
  tap,
  timer,
} from 'rxjs';
import type { LogAnswer } from '@ft/contract/takeLog';
import { counterAt } from '@ft/core/takes/counter';
import { runningIn } from '@ft/core/takes/applyOps';
import type { Log } from '@ft/core/takes/applyOps';
import { apiErrorOf } from './api.service';
import { authorId } from './author';
import type { PendingOp } from './log-pending';
import { forgetOp, keepOp } from './log-pending';
import { LogActions, logFeature } from './log.feature';
import { pauseMs } from './pause';
import { StudioActions } from './studio.actions';
import { StudioApi } from './studio-api.service';

/** Sent at once: what has gathered while nobody answered. */
const MOST_AT_ONCE = 200;

/** Reads what was written after a place, page by page; waits out what keeps it from coming. */
function pages(
  api: StudioApi,
  studioId: string,
  session: string,
  since: number,
  tries = 1,
): Observable<Action> {
  return api.log(studioId, session, since).pipe(
    switchMap(({ rows, more }): Observable<Action> => {
      const last = rows.at(-1)?.seq ?? since;
      const here = of(LogActions.arrived({ session, rows }));
      return concat(here, more ? pages(api, studioId, session, last) : of(LogActions.loaded()));
    }),
    catchError(() =>
      timer(pauseMs(tries)).pipe(switchMap(() => pages(api, studioId, session, since, tries + 1))),
    ),
  );
}

/** Loads the log when somebody looks at it, and what was missed when a lost connection is back. */
export const loadLog = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(StudioApi)) => {
    const isBack = actions$.pipe(
      ofType(StudioActions.connection),
      filter(({ live }) => live),
    );
    return merge(actions$.pipe(ofType(LogActions.open)), isBack).pipe(
      concatLatestFrom(() => [store.select(logFeature.selectLogState), store.select(logFeature.selectSeq)]),
      switchMap(([, { studioId, session }, seq]) =>
        studioId === null || session === null
          ? EMPTY
          : pages(api, studioId, session, seq).pipe(takeUntil(actions$.pipe(ofType(LogActions.close)))),
      ),
    );
  },
  { functional: true },
);

/** Notes that were dropped into a take that another one kept from starting: they are put into that one, by the clock. */
function retargeted(sent: readonly PendingOp[], pending: readonly PendingOp[], answer: LogAnswer, log: Log) {
  const running = runningIn(log);
  const lost = new Set(
    answer.refused.flatMap(({ at, code }) => {
      const op = sent[at]?.op;
      return code === 'take-running' && op?.op === 'add' ? [op.row.id] : [];
    }),
  );
  if (running === undefined || lost.size === 0) return [];
  return pending.flatMap((each): PendingOp[] => {
    const { op } = each;
    if (op.op !== 'add' || op.row.kind !== 'note' || !lost.has(op.row.take)) return [];
    const counterS = counterAt(running, Date.parse(op.row.at));
    return [{ ...each, op: { op: 'add', row: { ...op.row, take: running.id, counterS } } }];
  });
}

/** Sends what is pending, the oldest first; whatever is not a refusal is kept and tried again. */
export const sendLog = createEffect(
  // eslint-disable-next-line max-lines-per-function -- one pipe from the queue to the answer
  (actions$ = inject(Actions), store = inject(Store), api = inject(StudioApi)) => {
    const log = store.selectSignal(logFeature.selectStored);
    const state = store.selectSignal(logFeature.selectLogState);
    const isBack = actions$.pipe(
      ofType(StudioActions.connection),
      filter(({ live }) => live),
    );
    const answered = (sent: readonly PendingOp[], answer: LogAnswer): Observable<Action> => {
      const ids = sent.map(({ id }) => id);
      const moved = retargeted(sent, state().pending, answer, log());
      const again = moved.filter(({ id }) => ids.includes(id));
      const told = answer.refused
        // A note whose take was refused along with it is put where it belongs, and says nothing.
        .filter(({ at, code }) => !(code === 'no-take' && again.some(({ id }) => id === sent[at]?.id)))
        .map(({ sentence }) => StudioActions.notice({ tone: 'trouble', text: sentence }));
      return from([
        LogActions.retarget({ ops: moved }),
        LogActions.answered({ ids: ids.filter((id) => !again.some((each) => each.id === id)), answer }),
        ...told,
      ]);
    };
    const attempt = (
      studioId: string,
      session: string,
      ops: readonly PendingOp[],
      tries: number,
    ): Observable<Action> =>
      api
        .writeLog(
          studioId,
          session,
          authorId(),
          ops.map(({ op }) => op),
        )
        .pipe(
          switchMap((answer) => answered(ops, answer)),
          catchError((error: unknown): Observable<Action> => {
            const { message, isRefusal } = apiErrorOf(error);
            if (isRefusal)
              return from([
                LogActions.answered({ ids: ops.map(({ id }) => id), answer: { rows: [], refused: [] } }),
                StudioActions.notice({ tone: 'trouble', text: message }),
              ]);
            return merge(timer(pauseMs(tries)), isBack).pipe(
              take(1),
              switchMap(() => attempt(studioId, session, ops, tries + 1)),
            );
          }),
        );
    return store.select(logFeature.selectPending).pipe(
      map((pending) => pending[0]?.id),
      distinctUntilChanged(),
      filter((id) => id !== undefined),
      concatMap(() => {
        const { studioId, session, pending } = state();
        if (studioId === null || session === null || pending.length === 0) return EMPTY;
        return attempt(studioId, session, pending.slice(0, MOST_AT_ONCE), 1).pipe(
          // Another log, or none: what is not sent is kept in the browser.
          takeUntil(store.select(logFeature.selectSession).pipe(filter((each) => each !== session))),
        );
      }),
    );
  },
  { functional: true },
);

/** Keeps what is pending in the browser as well, until the server has answered. */
export const rememberLog = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    return actions$.pipe(
      ofType(LogActions.make, LogActions.turn, LogActions.retarget, LogActions.answered),
      concatLatestFrom(() => store.select(logFeature.selectLogState)),
      tap(([action, { studioId, session }]) => {
        if (studioId === null || session === null) return;
        if (action.type === LogActions.answered.type)
          for (const id of action.ids) forgetOp(studioId, session, id);
        else for (const pending of action.ops) keepOp(studioId, session, pending);
      }),
    );
  },
  { functional: true, dispatch: false },
);

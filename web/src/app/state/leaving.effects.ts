import { inject } from '@angular/core';
import { createEffect } from '@ngrx/effects';
import { createSelector, Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import {
  catchError,
  concat,
  concatMap,
  EMPTY,
  endWith,
  from,
  ignoreElements,
  mergeMap,
  pairwise,
  tap,
} from 'rxjs';
import { MOST_OPS } from '@ft/contract/takeLog';
import type { Change } from '@ft/core/edits/change';
import type { StudioRef } from './studio-api.service';
import { StudioApi } from './studio-api.service';
import { authorId } from './author';
import { forgetOp } from './log-pending';
import { logFeature } from './log.feature';
import { forgetPending } from './pending-store';
import { StudioActions } from './studio.actions';
import { studioFeature } from './studio.feature';

const selectOpen = createSelector(
  studioFeature.selectRef,
  studioFeature.selectPending,
  studioFeature.selectFound,
  (ref, pending, found) => ({ ref, pending, session: found?.session.id }),
);

/** Sends changes in their order, each forgotten here once it is stored. */
function stored(api: StudioApi, ref: StudioRef, changes: readonly Change[]): Observable<unknown> {
  return from(changes).pipe(
    concatMap((change) =>
      api.change(ref, authorId(), change).pipe(
        tap(() => {
          forgetPending(ref.id, change.id);
        }),
      ),
    ),
  );
}

/**
 * Sends what was still on its way when a studio was left, then which session was open: the first screen and
 * other windows are to see it now, not when somebody opens the studio here again. What cannot be sent stays kept
 * in the browser for that.
 */
export const sendLeft = createEffect(
  (store = inject(Store), api = inject(StudioApi)) => {
    return store.select(selectOpen).pipe(
      pairwise(),
      mergeMap(([{ ref, pending, session }, now]) => {
        if (ref === null || ref.id === now.ref?.id || pending.length === 0) return EMPTY;
        const told = session === undefined ? EMPTY : api.tellOpened(ref.id, session);
        return concat(stored(api, ref, pending), told).pipe(
          ignoreElements(),
          catchError(() => EMPTY),
          endWith(StudioActions.caughtUp()),
        );
      }),
    );
  },
  { functional: true },
);

/** As `sendLeft`, for the log of a session. What is refused is kept too: it is told when that log is opened again. */
export const sendLeftLog = createEffect(
  (store = inject(Store), api = inject(StudioApi)) => {
    return store.select(logFeature.selectLogState).pipe(
      pairwise(),
      mergeMap(([{ studioId, session, pending }, now]) => {
        if (studioId === null || session === null || pending.length === 0) return EMPTY;
        if (now.studioId === studioId && now.session === session) return EMPTY;
        const sent = pending.slice(0, MOST_OPS);
        const ops = sent.map(({ op }) => op);
        return api.writeLog(studioId, session, authorId(), ops).pipe(
          tap(({ refused }) => {
            const stays = new Set(refused.map(({ at }) => at));
            for (const [at, { id }] of sent.entries()) if (!stays.has(at)) forgetOp(studioId, session, id);
          }),
          catchError(() => EMPTY),
        );
      }),
    );
  },
  { functional: true, dispatch: false },
);

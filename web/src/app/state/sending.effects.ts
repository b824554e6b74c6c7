import type { Edit } from '@ft/core/edits/make';
import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { concatLatestFrom } from '@ngrx/operators';
import type { Action } from '@ngrx/store';
import { createSelector, Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import {
  catchError,
  concat,
  distinctUntilChanged,
  EMPTY,
  filter,
  from,
  map,
  mergeMap,
  of,
  race,
  switchMap,
  take,
  takeUntil,
  tap,
  timer,
} from 'rxjs';
import type { Change } from '@ft/core/edits/change';
import type { StudioRef } from './studio-api.service';
import { apiErrorOf } from './api.service';
import { StudioApi } from './studio-api.service';
import { authorId } from './author';
import { DraftActions } from './draft.feature';
import { pauseMs } from './pause';
import { forgetPending, keepPending, keptPending } from './pending-store';
import { StudioActions } from './studio.actions';
import { studioFeature } from './studio.feature';

/**
 * Sends pending changes, the oldest first and one at a time. Only a refusal in the contract's words ends one;
 * whatever else happens, it is kept, said to be kept, and tried again after growing pauses, or as soon as the
 * connection is back.
 */
export const sendPending = createEffect(
  // eslint-disable-next-line max-lines-per-function -- one pipe from the queue to the answer
  (actions$ = inject(Actions), store = inject(Store), api = inject(StudioApi)) => {
    const drafts = store.selectSignal(studioFeature.selectDrafts);
    const isBack = actions$.pipe(
      ofType(StudioActions.connection),
      filter(({ live }) => live),
    );
    const refused = (change: Change, message: string): Observable<Action> => {
      const draft = drafts()[change.id];
      const action = StudioActions.refused({ changeId: change.id, label: change.label, message });
      // The draft first: once the change is no longer pending, nothing more is heard of it here.
      return draft === undefined ? of(action) : from([DraftActions.keep(draft), action]);
    };
    const attempt = (ref: StudioRef, change: Change, tries: number): Observable<Action> =>
      api.change(ref, authorId(), change).pipe(
        map((entry): Action => StudioActions.entryArrived({ entry })),
        catchError((error: unknown): Observable<Action> => {
          const { code, message, isRefusal } = apiErrorOf(error);
          if (isRefusal) return refused(change, message);
          if (code === 'replaced') return of(StudioActions.gone({ because: 'replaced' }));
          if (code === 'not-found') return of(StudioActions.gone({ because: 'removed' }));
          const again = race(timer(pauseMs(tries)), isBack).pipe(
            take(1),
            switchMap(() => attempt(ref, change, tries + 1)),
          );
          // That nobody answers is said by the connection.
          return code === 'unreachable'
            ? again
            : concat(of(StudioActions.keptWaiting({ reason: message })), again);
        }),
      );
    const selectNext = createSelector(
      studioFeature.selectRef,
      studioFeature.selectPending,
      studioFeature.selectGone,
      (ref, pending, gone) => ({ ref: gone === null ? ref : null, change: pending[0] }),
    );
    return store.select(selectNext).pipe(
      distinctUntilChanged((a, b) => a.ref === b.ref && a.change?.id === b.change?.id),
      switchMap(({ ref, change }) =>
        ref === null || change === undefined
          ? EMPTY
          : attempt(ref, change, 1).pipe(takeUntil(actions$.pipe(ofType(StudioActions.close)))),
      ),
    );
  },
  { functional: true },
);

/** Keeps what is pending in the browser as well, until the server has answered. */
export const rememberPending = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    return actions$.pipe(
      ofType(StudioActions.proposed, StudioActions.entryArrived, StudioActions.refused),
      concatLatestFrom(() => store.select(studioFeature.selectRef)),
      tap(([action, ref]) => {
        if (ref === null) return;
        if (action.type === StudioActions.proposed.type)
          keepPending(ref.id, ref.incarnation, action.change, Date.now());
        else if (action.type === StudioActions.refused.type) forgetPending(ref.id, action.changeId);
        else forgetPending(ref.id, action.entry.change);
      }),
    );
  },
  { functional: true, dispatch: false },
);

/** Makes the changes of an earlier studio in this one, or gives them up. */
export const settleStrays = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    return actions$.pipe(
      ofType(StudioActions.takeStrays, StudioActions.dropStrays),
      concatLatestFrom(() => store.select(studioFeature.selectRef)),
      mergeMap(([action, ref]) => {
        if (ref === null) return EMPTY;
        const strays = keptPending(ref.id, ref.incarnation).stray;
        for (const { id } of strays) forgetPending(ref.id, id);
        if (action.type === StudioActions.dropStrays.type) return EMPTY;
        // They were made here before they were kept.
        return from(
          strays.map(({ label, edits }) =>
            StudioActions.change({ label, edits: edits as unknown as readonly Edit[] }),
          ),
        );
      }),
    );
  },
  { functional: true },
);

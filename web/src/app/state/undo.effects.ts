import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { concatLatestFrom } from '@ngrx/operators';
import type { Action } from '@ngrx/store';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import { catchError, concatMap, EMPTY, from, map, mergeMap, of, switchMap, takeUntil } from 'rxjs';
import type { EntryMessage } from '@ft/contract/history';
import { apiErrorOf } from './api.service';
import { StudioApi } from './studio-api.service';
import { authorId } from './author';
import { arrived, selectChangesStanding } from './standing';
import { StudioActions } from './studio.actions';
import { studioFeature } from './studio.feature';

/** What came of it, in words. */
const answered = (call: Observable<EntryMessage>): Observable<Action> =>
  call.pipe(
    mergeMap((entry) =>
      from([
        StudioActions.entryArrived({ entry }),
        StudioActions.notice({ tone: 'said', text: entry.label }),
      ]),
    ),
    catchError((error: unknown) =>
      of(StudioActions.notice({ tone: 'trouble', text: apiErrorOf(error).message })),
    ),
  );

const NOT_STORED = 'Not now: what was done last here is kept, but not stored yet. Try again when it is.';

/**
 * Undo and redo are the server's: it holds the history. What happened is said in words. While what was done last is
 * on its way they wait for it, or they would take back what was done before it.
 */
export const undoRedo = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(StudioApi)) => {
    const here = store.selectSignal(studioFeature.selectRef);
    const called = (call: () => Observable<EntryMessage>): Observable<Action> =>
      arrived(store.select(selectChangesStanding)).pipe(
        // Whoever leaves while it waits has given it up; once it is asked for, it is done.
        takeUntil(actions$.pipe(ofType(StudioActions.close))),
        switchMap((standing) =>
          standing === 'kept'
            ? of(StudioActions.notice({ tone: 'trouble', text: NOT_STORED }))
            : answered(call()),
        ),
      );
    return actions$.pipe(
      ofType(StudioActions.undo, StudioActions.redo),
      concatLatestFrom(() => store.select(studioFeature.selectRef)),
      concatMap(([action, ref]): Observable<Action> => {
        if (ref === null || ref !== here()) return EMPTY;
        if (action.type === StudioActions.redo.type) return called(() => api.redo(ref, authorId()));
        const { revision } = action;
        // Which one is meant is known.
        if (revision !== undefined) return answered(api.undo(ref, authorId(), revision));
        return called(() => api.undo(ref, authorId()));
      }),
    );
  },
  { functional: true },
);

/** Asks what undo and redo would take back when a studio is opened; from then on own changes tell. */
export const askUndoState = createEffect(
  (actions$ = inject(Actions), api = inject(StudioApi)) => {
    return actions$.pipe(
      ofType(StudioActions.opened),
      switchMap(({ studioId }) =>
        api.undoState(studioId, authorId()).pipe(
          map((state) => StudioActions.undoState({ state })),
          catchError(() => EMPTY),
        ),
      ),
    );
  },
  { functional: true },
);

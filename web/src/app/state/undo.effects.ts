import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { concatLatestFrom } from '@ngrx/operators';
import type { Action } from '@ngrx/store';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import { catchError, EMPTY, exhaustMap, from, map, mergeMap, of, switchMap } from 'rxjs';
import type { EntryMessage } from '@ft/contract/history';
import type { StudioRef } from './studio-api.service';
import { apiErrorOf } from './api.service';
import { StudioApi } from './studio-api.service';
import { authorId } from './author';
import { StudioActions } from './studio.actions';
import { studioFeature } from './studio.feature';

type UndoCall = (ref: StudioRef) => Observable<EntryMessage>;

/** Undo and redo are the server's: it holds the history. What happened is said in words. */
export const undoRedo = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(StudioApi)) => {
    return actions$.pipe(
      ofType(StudioActions.undo, StudioActions.redo),
      concatLatestFrom(() => store.select(studioFeature.selectRef)),
      exhaustMap(([action, ref]): Observable<Action> => {
        if (ref === null) return EMPTY;
        const call: UndoCall =
          action.type === StudioActions.redo.type
            ? (studio) => api.redo(studio, authorId())
            : (studio) => api.undo(studio, authorId(), 'revision' in action ? action.revision : undefined);
        return call(ref).pipe(
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

import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { tap } from 'rxjs';
import { DraftActions, forgetDraft, saveDraft } from './draft.feature';

/** Writes a draft to the browser at every keystroke: a crash loses none. */
export const rememberDrafts = createEffect(
  (actions$ = inject(Actions)) => {
    return actions$.pipe(ofType(DraftActions.keep), tap(saveDraft));
  },
  { functional: true, dispatch: false },
);

/** A draft that was entered or dropped is forgotten. */
export const forgetDrafts = createEffect(
  (actions$ = inject(Actions)) => {
    return actions$.pipe(
      ofType(DraftActions.drop),
      tap(({ key }) => {
        forgetDraft(key);
      }),
    );
  },
  { functional: true, dispatch: false },
);

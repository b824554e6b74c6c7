import { inject } from '@angular/core';
import { createEffect } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { tap } from 'rxjs';
import { draftFeature, saveDrafts } from './draft.feature';

/** Writes drafts to the browser at every keystroke: a crash loses none. */
export const rememberDrafts = createEffect(
  (store = inject(Store)) => {
    return store.select(draftFeature.selectTexts).pipe(tap(saveDrafts));
  },
  { functional: true, dispatch: false },
);

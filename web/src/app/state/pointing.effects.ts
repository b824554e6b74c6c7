import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { concatLatestFrom } from '@ngrx/operators';
import { Store } from '@ngrx/store';
import { catchError, debounceTime, EMPTY, filter, map, switchMap } from 'rxjs';
import type { EntityRef } from '@ft/core/session/entityRef';
import { StudioApi } from './studio-api.service';
import { PlanActions, planFeature } from './plan.feature';
import { StudioActions } from './studio.actions';
import { studioFeature } from './studio.feature';
import { WINDOW_ID } from './window-id';

/** Walking through a sheet passes many lines; only where somebody stays is told, ms. */
const STAYS_MS = 60;

/** Tells what is selected here to the other windows, where this one shares its selection. */
export const tellSelection = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(StudioApi)) => {
    return actions$.pipe(
      ofType(
        PlanActions.select,
        PlanActions.selectFinding,
        PlanActions.clearSelection,
        PlanActions.shareSelection,
      ),
      debounceTime(STAYS_MS),
      concatLatestFrom(() => [
        store.select(planFeature.selectSharesSelection),
        store.select(studioFeature.selectStudioId),
        store.select(planFeature.selectSelection),
      ]),
      switchMap(([action, shares, studioId, ref]) => {
        // Whoever begins to share with nothing in hand wants to see what others point at.
        const isJoining = action.type === PlanActions.shareSelection.type && ref === null;
        return !shares || studioId === null || isJoining
          ? EMPTY
          : // A selection that is not told is no loss: the next one is.
            api.point(studioId, { window: WINDOW_ID, ref }).pipe(catchError(() => EMPTY));
      }),
    );
  },
  { functional: true, dispatch: false },
);

/** Selects what another window selected, where this one shares its selection. */
export const takeSelection = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    return actions$.pipe(
      ofType(StudioActions.pointed),
      concatLatestFrom(() => store.select(planFeature.selectSharesSelection)),
      filter(([{ pointing }, shares]) => shares && pointing.window !== WINDOW_ID),
      map(([{ pointing }]) => PlanActions.selectionCame({ ref: pointing.ref as EntityRef | null })),
    );
  },
  { functional: true },
);

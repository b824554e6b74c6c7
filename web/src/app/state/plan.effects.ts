import { inject } from '@angular/core';
import { createEffect } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { catchError, combineLatest, EMPTY, from, map, of, switchMap } from 'rxjs';
import { Planner } from '../workers/planner.service';
import { PlanActions, planFeature } from './plan.feature';
import { studioFeature } from './studio.feature';
import { onTrial } from './on-trial';

/** Plans the scene anew whenever the studio, the scene or a knob on trial changes; an outdated run is dropped. */
export const planScene = createEffect(
  (store = inject(Store), planner = inject(Planner)) => {
    return combineLatest([
      store.select(studioFeature.selectStudio),
      store.select(studioFeature.selectPlace),
      store.select(planFeature.selectTrial),
    ]).pipe(
      switchMap(([studio, place, trial]) =>
        studio === null || place === null ? EMPTY : from(planner.plan(onTrial(studio, place, trial), place)),
      ),
      map(({ plan, patchLines }) => PlanActions.planned({ plan, patchLines })),
      catchError((error: unknown, again) => {
        const message = error instanceof Error ? error.message : String(error);
        store.dispatch(PlanActions.planFailed({ message }));
        return again;
      }),
    );
  },
  { functional: true },
);

/**
 * Draws the strip of the selection whenever it changes or a plan is asked for. It does not wait for the
 * plan to come: the worker answers in order, so both are there at once and are drawn in one frame.
 */
export const makeStrip = createEffect(
  (store = inject(Store), planner = inject(Planner)) => {
    return combineLatest([store.select(planFeature.selectSelection), planner.asked]).pipe(
      switchMap(([selection]) =>
        selection === null
          ? of(null)
          : from(planner.api.strip(selection)).pipe(
              // The plan asked for before it has failed, and says why.
              catchError(() => EMPTY),
            ),
      ),
      map((strip) => PlanActions.stripMade({ strip: strip ?? null })),
    );
  },
  { functional: true },
);

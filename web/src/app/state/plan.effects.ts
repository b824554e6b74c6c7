import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import {
  catchError,
  combineLatest,
  defer,
  EMPTY,
  expand,
  from,
  map,
  of,
  startWith,
  switchMap,
  timer,
} from 'rxjs';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Planned } from '../workers/planner-api';
import { Planner } from '../workers/planner.service';
import { messageOf } from './answered';
import { PlanActions, planFeature } from './plan.feature';
import { studioFeature } from './studio.feature';
import { onTrial } from './on-trial';

/** Ways for threads that do not run are looked for when nobody has changed anything for so long. */
const SETTLE_AFTER_MS = 150;

/** The scene planned; and once more, when nothing follows soon, with the ways it had to look for. */
const plannings = (planner: Planner, studio: Studio, place: ScenePlace): Observable<Planned> =>
  from(planner.plan(studio, place)).pipe(
    expand((planned) =>
      planned.isSettled ? EMPTY : timer(SETTLE_AFTER_MS).pipe(switchMap(() => planner.api.settle())),
    ),
  );

/**
 * Plans the scene anew whenever the studio, the scene or a knob on trial changes, or somebody asks for it again;
 * an outdated run is dropped. One that fails is told and not repeated: nothing has changed that would help it.
 */
export const planScene = createEffect(
  (store = inject(Store), planner = inject(Planner), actions$ = inject(Actions)) => {
    return combineLatest([
      store.select(studioFeature.selectStudio),
      store.select(studioFeature.selectPlace),
      store.select(planFeature.selectTrial),
      actions$.pipe(ofType(PlanActions.planAgain), startWith(null)),
    ]).pipe(
      switchMap(([studio, place, trial]) => {
        if (studio === null || place === null) return EMPTY;
        if (findScene(studio, place) === undefined) return of(PlanActions.sceneGone());
        return defer(() => plannings(planner, onTrial(studio, place, trial), place)).pipe(
          map(({ plan, patchLines }) => PlanActions.planned({ plan, patchLines })),
          catchError((error: unknown) => of(PlanActions.planFailed({ message: messageOf(error) }))),
        );
      }),
    );
  },
  { functional: true },
);

/**
 * Draws the strip of the selection whenever it changes or a scene is sent. It does not wait for the plan:
 * the levels are worked out first, and the strip needs no more.
 */
export const makeStrip = createEffect(
  (store = inject(Store), planner = inject(Planner)) => {
    return combineLatest([store.select(planFeature.selectSelection), planner.sent]).pipe(
      switchMap(([selection]) =>
        selection === null
          ? of(PlanActions.stripMade({ strip: null }))
          : defer(() => planner.api.strip(selection)).pipe(
              map((strip) => PlanActions.stripMade({ strip: strip ?? null })),
              catchError((error: unknown) => of(PlanActions.stripFailed({ message: messageOf(error) }))),
            ),
      ),
    );
  },
  { functional: true },
);

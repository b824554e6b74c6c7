import type { Signal } from '@angular/core';
import { inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { combineLatest, filter, from, of, switchMap } from 'rxjs';
import type { PlannerApi } from '../workers/planner-api';
import { Planner } from '../workers/planner.service';
import type { Remote } from 'comlink';
import { planFeature } from './plan.feature';

/**
 * Asks the planner, and asks again after every change of the scene. To be called while a component is made.
 * @param about what is asked about; undefined asks nothing.
 */
export function asked<A, T>(
  about: Signal<A | undefined>,
  ask: (api: Remote<PlannerApi>, about: A) => Promise<T>,
): Signal<T | undefined> {
  const planner = inject(Planner);
  return toSignal(
    combineLatest([
      inject(Store)
        .select(planFeature.selectPlan)
        .pipe(filter((plan) => plan !== null)),
      toObservable(about),
    ]).pipe(switchMap(([, it]) => (it === undefined ? of(undefined) : from(ask(planner.api, it))))),
  );
}

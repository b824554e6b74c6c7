import type { Signal } from '@angular/core';
import { inject, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { Remote } from 'comlink';
import { combineLatest, debounceTime, filter, map } from 'rxjs';
import type { PlannerApi } from '../workers/planner-api';
import { Planner } from '../workers/planner.service';
import type { Asked } from './answered';
import { answered } from './answered';
import { planFeature } from './plan.feature';

/** Asks the planner about something, and asks again after every change of the scene. */
export function askedAbout<A, R extends Promise<unknown>>(
  about: Signal<A | undefined>,
  ask: (api: Remote<PlannerApi>, about: A) => R,
  /** While what is asked about still changes, nothing is asked. */
  settledAfterMs?: number,
): Asked<Awaited<R>> {
  const planner = inject(Planner);
  const plan = inject(Store)
    .select(planFeature.selectPlan)
    .pipe(filter((each) => each !== null));
  const asking = combineLatest([toObservable(about), plan]).pipe(map(([it]) => it));
  const settled =
    settledAfterMs === undefined ? asking : asking.pipe(debounceTime<A | undefined>(settledAfterMs));
  return answered(settled, (it) => ask(planner.api, it) as Promise<Awaited<R>>);
}

/** Asks the planner about the scene, and asks again after every change of it. */
export const asked = <R extends Promise<unknown>>(ask: (api: Remote<PlannerApi>) => R): Asked<Awaited<R>> =>
  askedAbout(signal(true), ask);

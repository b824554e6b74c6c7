import { HttpErrorResponse } from '@angular/common/http';
import type { Signal } from '@angular/core';
import { computed } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Observable, ObservableInput } from 'rxjs';
import {
  BehaviorSubject,
  catchError,
  combineLatest,
  connect,
  defer,
  map,
  merge,
  of,
  scan,
  switchMap,
  takeUntil,
  timer,
} from 'rxjs';
import { apiErrorOf } from './api.service';

/** Waiting that is over sooner is not shown: it would only flicker. */
const SHOW_AFTER_MS = 300;

/** The last answer there was. What has to be asked for says whether it is under way and whether it failed. */
export interface Asked<T> extends Signal<T | undefined> {
  /** An answer has been under way for a while. */
  readonly waits: Signal<boolean>;
  /** Why the last question was not answered; undefined where it was, or is asked again. */
  readonly failure: Signal<string | undefined>;
  /** Asks once more. Nothing is ever asked again by itself but because something has changed. */
  again(): void;
}

interface Answer<T> {
  readonly value?: T | undefined;
  readonly waits?: boolean;
  readonly failure?: string;
}

/** What a failed call says of itself. */
export function messageOf(error: unknown): string {
  if (error instanceof HttpErrorResponse) return apiErrorOf(error).message;
  return error instanceof Error ? error.message : String(error);
}

/** One question: waiting where it takes a while, then its answer or why there is none. */
function answerTo<T>(ask: () => ObservableInput<T>): Observable<Answer<T>> {
  const waiting = timer(SHOW_AFTER_MS).pipe(map((): Answer<T> => ({ waits: true })));
  return defer(ask).pipe(
    map((value): Answer<T> => ({ value })),
    catchError((error: unknown) => of<Answer<T>>({ failure: messageOf(error) })),
    connect((answer) => merge(answer, waiting.pipe(takeUntil(answer)))),
  );
}

/**
 * Asks whenever there is something to ask about; `undefined` asks nothing and is answered by nothing. A failed
 * answer leaves the last good one in place. To be called while a component is made.
 */
export function answered<A, T>(
  about: Observable<A | undefined>,
  ask: (about: A) => ObservableInput<T>,
): Asked<T> {
  const asking = new BehaviorSubject<void>(undefined);
  const state = toSignal(
    combineLatest([about, asking]).pipe(
      switchMap(([it]) => (it === undefined ? of<Answer<T>>({ value: undefined }) : answerTo(() => ask(it)))),
      scan((before: Answer<T>, now): Answer<T> => ('value' in now ? now : { value: before.value, ...now })),
    ),
  );
  return Object.assign(
    computed(() => state()?.value),
    {
      waits: computed(() => state()?.waits ?? false),
      failure: computed(() => state()?.failure),
      again: () => {
        asking.next();
      },
    },
  );
}

import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { concatLatestFrom } from '@ngrx/operators';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import {
  catchError,
  distinctUntilChanged,
  EMPTY,
  filter,
  from,
  map,
  merge,
  mergeMap,
  of,
  switchMap,
  take,
  takeUntil,
  timer,
} from 'rxjs';
import type { Action } from '@ngrx/store';
import type { Change } from '@ft/core/edits/change';
import { changeSchema } from '@ft/core/edits/change';
import { propose } from '@ft/core/edits/replica';
import { shapeProblems } from '@ft/core/formats/shapeProblems';
import { withFollowers } from '@ft/core/actions/scenes/followers';
import { problemSentence } from '@ft/core/words/problemWording';
import { refusalSentence } from '@ft/core/words/refusalWording';
import { apiErrorOf } from './api.service';
import { StudioApi } from './studio-api.service';
import { authorId } from './author';
import { DraftActions } from './draft.feature';
import { LogActions } from './log.feature';
import { newId } from './new-id';
import { pauseMs } from './pause';
import { keptPending } from './pending-store';
import { StudioActions } from './studio.actions';
import { studioEvents } from './studio-events';
import { studioFeature } from './studio.feature';

const loaded = (api: StudioApi, studioId: string): Observable<Action> =>
  api.studio(studioId).pipe(
    map((at) => StudioActions.opened({ studioId, at, kept: keptPending(studioId, at.incarnation) })),
    catchError((error: unknown) => of(StudioActions.openFailed({ message: apiErrorOf(error).message }))),
  );

/** Loads a studio when another one is opened than the one that is there; closing it forgets it. */
export const openStudio = createEffect(
  (actions$ = inject(Actions), api = inject(StudioApi)) => {
    return actions$.pipe(
      ofType(StudioActions.open, StudioActions.close),
      map((action) => ('studioId' in action ? action.studioId : null)),
      distinctUntilChanged(),
      switchMap((studioId) => (studioId === null ? EMPTY : loaded(api, studioId))),
    );
  },
  { functional: true },
);

/**
 * Tells the server which session is open, once it is there too: one that was made here may still be on its way.
 * Leaving does not take the message back.
 */
export const tellOpened = createEffect(
  (store = inject(Store), api = inject(StudioApi)) => {
    const stored = store.select(studioFeature.selectPending).pipe(
      filter((pending) => pending.length === 0),
      take(1),
    );
    return store.select(studioFeature.selectFound).pipe(
      map((found) => found?.session.id),
      distinctUntilChanged(),
      switchMap((session) => (session === undefined ? EMPTY : stored.pipe(map(() => session)))),
      concatLatestFrom(() => store.select(studioFeature.selectStudioId)),
      mergeMap(([session, studioId]) =>
        // When it was opened is no loss where it is not told.
        studioId === null ? EMPTY : api.tellOpened(studioId, session).pipe(catchError(() => EMPTY)),
      ),
      map(() => StudioActions.caughtUp()),
    );
  },
  { functional: true },
);

/** As `loaded`, for a studio that is shown already: what keeps it from coming is waited out, unless it is gone. */
const loadedAgain = (api: StudioApi, studioId: string, attempt = 1): Observable<Action> =>
  api.studio(studioId).pipe(
    map((at): Action => StudioActions.opened({ studioId, at, kept: keptPending(studioId, at.incarnation) })),
    catchError((error: unknown) =>
      apiErrorOf(error).code === 'not-found'
        ? of(StudioActions.gone({ because: 'removed' }))
        : timer(pauseMs(attempt)).pipe(switchMap(() => loadedAgain(api, studioId, attempt + 1))),
    ),
  );

/** Loads the studio anew: because somebody asked, or because what is here does not fit what came. */
export const reloadStudio = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(StudioApi)) => {
    const outOfStep = store.select(studioFeature.selectOutOfStep).pipe(filter((is) => is));
    return merge(actions$.pipe(ofType(StudioActions.reload)), outOfStep).pipe(
      concatLatestFrom(() => store.select(studioFeature.selectStudioId)),
      switchMap(([, studioId]) =>
        studioId === null
          ? EMPTY
          : loadedAgain(api, studioId).pipe(takeUntil(actions$.pipe(ofType(StudioActions.close)))),
      ),
    );
  },
  { functional: true },
);

/** A line that is waited for comes within this time, or it never will, ms. */
const GAP_MS = 5000;

/** Loads the studio anew where a line of the history stays away although later ones have come. */
export const mendGap = createEffect(
  (store = inject(Store)) => {
    return store.select(studioFeature.selectEarly).pipe(
      map((early) => early.length > 0),
      distinctUntilChanged(),
      switchMap((hasGap) => (hasGap ? timer(GAP_MS).pipe(map(() => StudioActions.reload())) : EMPTY)),
    );
  },
  { functional: true },
);

/** Listens to what other windows do, from when a studio is open until it is closed. */
export const listen = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    const revision = store.selectSignal(studioFeature.selectRevision);
    return actions$.pipe(
      ofType(StudioActions.opened),
      switchMap(({ studioId, at: { incarnation } }) =>
        studioEvents({ id: studioId, incarnation }, authorId(), revision).pipe(
          map((event): Action => {
            if (event.kind === 'entry') return StudioActions.entryArrived({ entry: event.entry });
            if (event.kind === 'presence') return StudioActions.presence({ windows: event.windows });
            if (event.kind === 'log') return LogActions.arrived(event.event);
            if (event.kind === 'pointing') return StudioActions.pointed({ pointing: event.pointing });
            if (event.kind === 'gone') return StudioActions.gone({ because: event.because });
            return StudioActions.connection({ live: event.live });
          }),
          takeUntil(actions$.pipe(ofType(StudioActions.close))),
        ),
      ),
    );
  },
  { functional: true },
);

/** Gives a person's change its id and tries it here first; one that cannot be is told at once. */
export const tryChange = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    return actions$.pipe(
      ofType(StudioActions.change),
      concatLatestFrom(() => store.select(studioFeature.selectReplica)),
      mergeMap(([{ label, edits, draft }, replica]): Observable<Action> => {
        if (replica === null || edits.length === 0) return EMPTY;
        const id = newId();
        const refuse = (message: string): Observable<Action> => {
          const refused = StudioActions.refused({ changeId: id, label, message });
          return draft === undefined ? of(refused) : from([refused, DraftActions.keep(draft)]);
        };
        // Parsed as the server will, so that what is left out has its typical value here as well.
        // Scenes that follow the ones it touches change with it.
        const whole = withFollowers(replica.studio, edits);
        const parsed = changeSchema.safeParse({ id, label, edits: whole });
        if (!parsed.success) return refuse(shapeProblems(parsed.error.issues).map(problemSentence).join(' '));
        const change: Change = parsed.data;
        const tried = propose(replica, change);
        if (tried.ok) return of(StudioActions.proposed({ change, ...(draft && { draft }) }));
        return refuse(refusalSentence(tried.refusal));
      }),
    );
  },
  { functional: true },
);

import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { concatLatestFrom } from '@ngrx/operators';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import {
  catchError,
  debounceTime,
  distinctUntilChanged,
  EMPTY,
  exhaustMap,
  filter,
  from,
  map,
  mergeMap,
  of,
  retry,
  switchMap,
  takeUntil,
  tap,
  throwError,
  timer,
} from 'rxjs';
import type { Action } from '@ngrx/store';
import type { EntryMessage } from '@ft/contract/api';
import type { Change } from '@ft/core/edits/change';
import { changeSchema } from '@ft/core/edits/change';
import { propose } from '@ft/core/edits/replica';
import { shapeProblems } from '@ft/core/formats/shapeProblems';
import { withFollowers } from '@ft/core/plan/scenes/followers';
import { problemSentence } from '@ft/core/session/problemWording';
import { refusalSentence } from '@ft/core/edits/refusalWording';
import { Api, apiErrorOf } from './api.service';
import { authorId } from './author';
import { DraftActions } from './draft.feature';
import { newId } from './new-id';
import { forgetPending, keepPending, keptPending } from './pending-store';
import { StudioActions } from './studio.actions';
import { studioEvents } from './studio-events';
import { studioFeature } from './studio.feature';

const RETRY_MS = 1500;

/** Loads a studio when another one is opened than the one that is there; closing it forgets it. */
export const openStudio = createEffect(
  (actions$ = inject(Actions), api = inject(Api)) => {
    return actions$.pipe(
      ofType(StudioActions.open, StudioActions.close),
      map((action) => ('studioId' in action ? action.studioId : null)),
      distinctUntilChanged(),
      switchMap((studioId) =>
        studioId === null
          ? EMPTY
          : api.studio(studioId).pipe(
              map((at) => StudioActions.opened({ studioId, at, kept: keptPending(studioId) })),
              catchError((error: unknown) =>
                of(StudioActions.openFailed({ message: apiErrorOf(error).message })),
              ),
            ),
      ),
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
      switchMap(({ studioId }) =>
        studioEvents(studioId, revision).pipe(
          map((event): Action => {
            if (event.kind === 'entry') return StudioActions.entryArrived({ entry: event.entry });
            if (event.kind === 'presence') return StudioActions.presence({ windows: event.windows });
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

/**
 * Sends pending changes, the oldest first and one at a time. An unreachable server is tried again
 * until it answers; the change stays pending meanwhile.
 */
export const sendPending = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(Api)) => {
    const drafts = store.selectSignal(studioFeature.selectDrafts);
    const send = (studioId: string, change: Change): Observable<Action> =>
      api.change(studioId, authorId(), change).pipe(
        retry({
          delay: (error: unknown) => (apiErrorOf(error).reached ? throwError(() => error) : timer(RETRY_MS)),
        }),
        map((entry) => StudioActions.entryArrived({ entry })),
        catchError((error: unknown) => {
          const { message } = apiErrorOf(error);
          const draft = drafts()[change.id];
          const refused = StudioActions.refused({ changeId: change.id, label: change.label, message });
          return draft === undefined ? of(refused) : from([refused, DraftActions.keep(draft)]);
        }),
        takeUntil(actions$.pipe(ofType(StudioActions.close))),
      );
    return store.select(studioFeature.selectPending).pipe(
      map((pending) => pending[0]),
      distinctUntilChanged((a, b) => a?.id === b?.id),
      filter((change) => change !== undefined),
      concatLatestFrom(() => store.select(studioFeature.selectStudioId)),
      switchMap(([change, studioId]) => (studioId === null ? EMPTY : send(studioId, change))),
    );
  },
  { functional: true },
);

/** Keeps what is pending in the browser as well, until the server has answered. */
export const rememberPending = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    return actions$.pipe(
      ofType(StudioActions.proposed, StudioActions.entryArrived, StudioActions.refused),
      concatLatestFrom(() => store.select(studioFeature.selectStudioId)),
      tap(([action, studioId]) => {
        if (studioId === null) return;
        if (action.type === StudioActions.proposed.type) keepPending(studioId, action.change, Date.now());
        else if (action.type === StudioActions.refused.type) forgetPending(studioId, action.changeId);
        else forgetPending(studioId, action.entry.change);
      }),
    );
  },
  { functional: true, dispatch: false },
);

type UndoCall = (studioId: string) => Observable<EntryMessage>;

/** Undo and redo are the server's: it holds the history. What happened is said in words. */
export const undoRedo = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(Api)) => {
    return actions$.pipe(
      ofType(StudioActions.undo, StudioActions.redo),
      concatLatestFrom(() => store.select(studioFeature.selectStudioId)),
      exhaustMap(([action, studioId]): Observable<Action> => {
        if (studioId === null) return EMPTY;
        const call: UndoCall =
          action.type === StudioActions.redo.type
            ? (id) => api.redo(id, authorId())
            : (id) => api.undo(id, authorId(), 'revision' in action ? action.revision : undefined);
        return call(studioId).pipe(
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

/** Asks again what undo and redo would take back, whenever the history has grown. */
export const refreshUndoState = createEffect(
  (store = inject(Store), api = inject(Api)) => {
    return store.select(studioFeature.selectRevision).pipe(
      debounceTime(30),
      concatLatestFrom(() => store.select(studioFeature.selectStudioId)),
      switchMap(([, studioId]) =>
        studioId === null
          ? EMPTY
          : api.undoState(studioId, authorId()).pipe(
              map((state) => StudioActions.undoState({ state })),
              catchError(() => EMPTY),
            ),
      ),
    );
  },
  { functional: true },
);

import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { concatLatestFrom } from '@ngrx/operators';
import { createSelector, Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import {
  catchError,
  concat,
  distinctUntilChanged,
  EMPTY,
  exhaustMap,
  filter,
  from,
  map,
  merge,
  mergeMap,
  of,
  race,
  switchMap,
  take,
  takeUntil,
  tap,
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
import type { StudioRef } from './api.service';
import { Api, apiErrorOf } from './api.service';
import { authorId } from './author';
import { DraftActions } from './draft.feature';
import { newId } from './new-id';
import { pauseMs } from './pause';
import { forgetPending, keepPending, keptPending } from './pending-store';
import { StudioActions } from './studio.actions';
import { studioEvents } from './studio-events';
import { studioFeature } from './studio.feature';

const loaded = (api: Api, studioId: string): Observable<Action> =>
  api.studio(studioId).pipe(
    map((at) => StudioActions.opened({ studioId, at, kept: keptPending(studioId, at.incarnation) })),
    catchError((error: unknown) => of(StudioActions.openFailed({ message: apiErrorOf(error).message }))),
  );

/** Loads a studio when another one is opened than the one that is there; closing it forgets it. */
export const openStudio = createEffect(
  (actions$ = inject(Actions), api = inject(Api)) => {
    return actions$.pipe(
      ofType(StudioActions.open, StudioActions.close),
      map((action) => ('studioId' in action ? action.studioId : null)),
      distinctUntilChanged(),
      switchMap((studioId) => (studioId === null ? EMPTY : loaded(api, studioId))),
    );
  },
  { functional: true },
);

/** As `loaded`, for a studio that is shown already: what keeps it from coming is waited out, unless it is gone. */
const loadedAgain = (api: Api, studioId: string, attempt = 1): Observable<Action> =>
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
  (actions$ = inject(Actions), store = inject(Store), api = inject(Api)) => {
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

/**
 * Sends pending changes, the oldest first and one at a time. Only a refusal in the contract's words ends one;
 * whatever else happens, it is kept, said to be kept, and tried again after growing pauses, or as soon as the
 * connection is back.
 */
export const sendPending = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(Api)) => {
    const drafts = store.selectSignal(studioFeature.selectDrafts);
    const isBack = actions$.pipe(
      ofType(StudioActions.connection),
      filter(({ live }) => live),
    );
    const refused = (change: Change, message: string): Observable<Action> => {
      const draft = drafts()[change.id];
      const action = StudioActions.refused({ changeId: change.id, label: change.label, message });
      // The draft first: once the change is no longer pending, nothing more is heard of it here.
      return draft === undefined ? of(action) : from([DraftActions.keep(draft), action]);
    };
    const attempt = (ref: StudioRef, change: Change, tries: number): Observable<Action> =>
      api.change(ref, authorId(), change).pipe(
        map((entry): Action => StudioActions.entryArrived({ entry })),
        catchError((error: unknown): Observable<Action> => {
          const { code, message, isRefusal } = apiErrorOf(error);
          if (isRefusal) return refused(change, message);
          if (code === 'replaced') return of(StudioActions.gone({ because: 'replaced' }));
          if (code === 'not-found') return of(StudioActions.gone({ because: 'removed' }));
          const again = race(timer(pauseMs(tries)), isBack).pipe(
            take(1),
            switchMap(() => attempt(ref, change, tries + 1)),
          );
          // That nobody answers is said by the connection.
          return code === 'unreachable'
            ? again
            : concat(of(StudioActions.keptWaiting({ reason: message })), again);
        }),
      );
    const selectNext = createSelector(
      studioFeature.selectRef,
      studioFeature.selectPending,
      studioFeature.selectGone,
      (ref, pending, gone) => ({ ref: gone === null ? ref : null, change: pending[0] }),
    );
    return store.select(selectNext).pipe(
      distinctUntilChanged((a, b) => a.ref === b.ref && a.change?.id === b.change?.id),
      switchMap(({ ref, change }) =>
        ref === null || change === undefined
          ? EMPTY
          : attempt(ref, change, 1).pipe(takeUntil(actions$.pipe(ofType(StudioActions.close)))),
      ),
    );
  },
  { functional: true },
);

/** Keeps what is pending in the browser as well, until the server has answered. */
export const rememberPending = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    return actions$.pipe(
      ofType(StudioActions.proposed, StudioActions.entryArrived, StudioActions.refused),
      concatLatestFrom(() => store.select(studioFeature.selectRef)),
      tap(([action, ref]) => {
        if (ref === null) return;
        if (action.type === StudioActions.proposed.type)
          keepPending(ref.id, ref.incarnation, action.change, Date.now());
        else if (action.type === StudioActions.refused.type) forgetPending(ref.id, action.changeId);
        else forgetPending(ref.id, action.entry.change);
      }),
    );
  },
  { functional: true, dispatch: false },
);

/** Makes the changes of an earlier studio in this one, or gives them up. */
export const settleStrays = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    return actions$.pipe(
      ofType(StudioActions.takeStrays, StudioActions.dropStrays),
      concatLatestFrom(() => store.select(studioFeature.selectRef)),
      mergeMap(([action, ref]) => {
        if (ref === null) return EMPTY;
        const strays = keptPending(ref.id, ref.incarnation).stray;
        for (const { id } of strays) forgetPending(ref.id, id);
        if (action.type === StudioActions.dropStrays.type) return EMPTY;
        return from(strays.map(({ label, edits }) => StudioActions.change({ label, edits })));
      }),
    );
  },
  { functional: true },
);

type UndoCall = (ref: StudioRef) => Observable<EntryMessage>;

/** Undo and redo are the server's: it holds the history. What happened is said in words. */
export const undoRedo = createEffect(
  (actions$ = inject(Actions), store = inject(Store), api = inject(Api)) => {
    return actions$.pipe(
      ofType(StudioActions.undo, StudioActions.redo),
      concatLatestFrom(() => store.select(studioFeature.selectRef)),
      exhaustMap(([action, ref]): Observable<Action> => {
        if (ref === null) return EMPTY;
        const call: UndoCall =
          action.type === StudioActions.redo.type
            ? (studio) => api.redo(studio, authorId())
            : (studio) => api.undo(studio, authorId(), 'revision' in action ? action.revision : undefined);
        return call(ref).pipe(
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

/** Asks what undo and redo would take back when a studio is opened; from then on own changes tell. */
export const askUndoState = createEffect(
  (actions$ = inject(Actions), api = inject(Api)) => {
    return actions$.pipe(
      ofType(StudioActions.opened),
      switchMap(({ studioId }) =>
        api.undoState(studioId, authorId()).pipe(
          map((state) => StudioActions.undoState({ state })),
          catchError(() => EMPTY),
        ),
      ),
    );
  },
  { functional: true },
);

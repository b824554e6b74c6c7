import { createFeature, createReducer, createSelector, on } from '@ngrx/store';
import type { Gone } from '@ft/contract/events';
import type { EntryMessage, UndoState } from '@ft/contract/history';
import type { Change } from '@ft/core/edits/change';
import type { Replica } from '@ft/core/edits/replica';
import { propose, receive, replicaOf, withdraw } from '@ft/core/edits/replica';
import { findScene } from '@ft/core/session/scenePlace';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import type { StudioRef } from './studio-api.service';
import type { Draft } from './draft.feature';
import { StudioActions } from './studio.actions';

/** A line for the person: what was done, or what went wrong. */
export interface Notice {
  readonly id: number;
  readonly tone: 'said' | 'trouble';
  readonly text: string;
}

export interface StudioState {
  readonly studioId: string | null;
  /** Which studio of that id it is; null until it is there. */
  readonly incarnation: string | null;
  readonly place: ScenePlace | null;
  readonly replica: Replica | null;
  readonly load: 'idle' | 'loading' | 'ready' | 'failed';
  readonly error: string | null;
  /** Lines that came before the ones they follow. */
  readonly early: readonly EntryMessage[];
  /** What was typed for changes the server has not answered yet, by change id: kept should it refuse. */
  readonly drafts: Readonly<Record<string, Draft>>;
  readonly live: boolean;
  /** Why what was done here has not been stored yet; null while nothing is in the way. */
  readonly keptBecause: string | null;
  /** The studio went while this window was open. */
  readonly gone: Gone['because'] | null;
  /** Lines do not fit what is here: the studio has to be loaded anew. */
  readonly outOfStep: boolean;
  /** Changes kept from another studio that had this id before. */
  readonly strays: readonly Change[];
  readonly windows: number;
  readonly undoState: UndoState;
  readonly notices: readonly Notice[];
  readonly noticeCount: number;
}

export const initialStudioState: StudioState = {
  studioId: null,
  incarnation: null,
  place: null,
  replica: null,
  load: 'idle',
  error: null,
  early: [],
  drafts: {},
  live: true,
  keptBecause: null,
  gone: null,
  outOfStep: false,
  strays: [],
  windows: 1,
  undoState: {},
  notices: [],
  noticeCount: 0,
};

const MOST_NOTICES = 4;

function answered(drafts: StudioState['drafts'], changeId: string): StudioState['drafts'] {
  return Object.fromEntries(Object.entries(drafts).filter(([id]) => id !== changeId));
}

function noticed(state: StudioState, tone: Notice['tone'], text: string): StudioState {
  const id = state.noticeCount + 1;
  return { ...state, noticeCount: id, notices: [...state.notices, { id, tone, text }].slice(-MOST_NOTICES) };
}

/** Takes in a history line and every early one that then follows; keeps it for later where one is missing. */
function inStep(state: StudioState, replica: Replica, entry: EntryMessage): StudioState {
  if (entry.revision <= replica.revision) return { ...state, replica: receive(replica, entry) };
  let latest = replica;
  let early = [...state.early, entry].filter((line) => line.revision > latest.revision);
  for (;;) {
    const next = early.find((line) => line.revision === latest.revision + 1);
    if (next === undefined) return { ...state, replica: latest, early };
    latest = receive(latest, next);
    early = early.filter((line) => line.revision > latest.revision);
  }
}

/** A line that does not fit what is here means that something was missed: the studio is then loaded anew. */
function arrived(state: StudioState, entry: EntryMessage): StudioState {
  if (state.replica === null) return state;
  try {
    return inStep(state, state.replica, entry);
  } catch {
    return { ...state, outOfStep: true };
  }
}

export const studioFeature = createFeature({
  name: 'studio',
  reducer: createReducer(
    initialStudioState,
    on(StudioActions.open, (state, { studioId, place }): StudioState =>
      state.studioId === studioId && state.replica !== null
        ? { ...state, place }
        : { ...initialStudioState, studioId, place, load: 'loading' },
    ),
    on(StudioActions.opened, (state, { at, kept }): StudioState => ({
      ...state,
      load: 'ready',
      incarnation: at.incarnation,
      replica: replicaOf(at.studio, at.revision, kept.own),
      strays: kept.stray,
      early: [],
      gone: null,
      outOfStep: false,
    })),
    on(StudioActions.openFailed, (state, { message }): StudioState => ({
      ...state,
      load: 'failed',
      error: message,
    })),
    on(StudioActions.close, (): StudioState => initialStudioState),
    on(StudioActions.proposed, (state, { change, draft }): StudioState => {
      if (state.replica === null) return state;
      const result = propose(state.replica, change);
      if (!result.ok) return state;
      const drafts = draft === undefined ? state.drafts : { ...state.drafts, [change.id]: draft };
      return { ...state, replica: result.replica, drafts };
    }),
    on(StudioActions.entryArrived, (state, { entry }): StudioState =>
      arrived(
        {
          ...state,
          drafts: answered(state.drafts, entry.change),
          keptBecause: null,
          undoState: entry.undo ?? state.undoState,
        },
        entry,
      ),
    ),
    on(StudioActions.refused, (state, { changeId, label, message }): StudioState => {
      const replica = state.replica === null ? null : withdraw(state.replica, changeId);
      const drafts = answered(state.drafts, changeId);
      return noticed(
        { ...state, replica, drafts, keptBecause: null },
        'trouble',
        `Not done: ${label}. ${message}`,
      );
    }),
    on(StudioActions.undoState, (state, { state: undoState }): StudioState => ({ ...state, undoState })),
    on(StudioActions.keptWaiting, (state, { reason }): StudioState => ({ ...state, keptBecause: reason })),
    on(StudioActions.gone, (state, { because }): StudioState => ({
      ...state,
      gone: because === 'behind' ? state.gone : because,
      outOfStep: state.outOfStep || because === 'behind',
    })),
    on(StudioActions.takeStrays, StudioActions.dropStrays, (state): StudioState => ({
      ...state,
      strays: [],
    })),
    on(StudioActions.connection, (state, { live }): StudioState => ({ ...state, live })),
    on(StudioActions.presence, (state, { windows }): StudioState => ({ ...state, windows })),
    on(StudioActions.notice, (state, { tone, text }): StudioState => noticed(state, tone, text)),
    on(StudioActions.dismissNotice, (state, { id }): StudioState => ({
      ...state,
      notices: state.notices.filter((notice) => notice.id !== id),
    })),
  ),
  extraSelectors: ({ selectReplica, selectPlace, selectStudioId, selectIncarnation }) => {
    const selectRef = createSelector(
      selectStudioId,
      selectIncarnation,
      (id, incarnation): StudioRef | null =>
        id === null || incarnation === null ? null : { id, incarnation },
    );
    const selectStudio = createSelector(selectReplica, (replica) => replica?.studio ?? null);
    return {
      selectRef,
      selectStudio,
      /** Which history this window is looking at, and up to where. */
      selectHistoryPlace: createSelector(selectStudioId, selectReplica, (studioId, replica) => ({
        studioId,
        revision: replica?.revision ?? 0,
      })),
      selectRevision: createSelector(selectReplica, (replica) => replica?.revision ?? 0),
      selectPending: createSelector(selectReplica, (replica) => replica?.pending ?? []),
      selectFound: createSelector(selectStudio, selectPlace, (studio, place) =>
        studio === null || place === null ? undefined : findScene(studio, place),
      ),
    };
  },
});

import {
  createActionGroup,
  createFeature,
  createReducer,
  createSelector,
  emptyProps,
  on,
  props,
} from '@ngrx/store';
import type { LogAnswer, StoredRow } from '@ft/contract/takeLog';
import type { Log } from '@ft/core/takes/applyOps';
import { withOps } from '@ft/core/takes/applyOps';
import type { PendingOp } from './log-pending';

export const LogActions = createActionGroup({
  source: 'Log',
  events: {
    /** Somebody looks at the log of a session. */
    Open: props<{ studioId: string; session: string; kept: readonly PendingOp[] }>(),
    Close: emptyProps(),
    Arrived: props<{ session: string; rows: readonly StoredRow[] }>(),
    /** Everything that was written before is here. */
    Loaded: emptyProps(),
    Make: props<{ ops: readonly PendingOp[] }>(),
    Answered: props<{ ids: readonly string[]; answer: LogAnswer }>(),
    /** What was meant for a take that could not be started belongs to the one that runs. */
    Retarget: props<{ ops: readonly PendingOp[] }>(),
  },
});

export interface LogState {
  readonly studioId: string | null;
  readonly session: string | null;
  readonly rows: Readonly<Record<string, StoredRow>>;
  readonly isLoaded: boolean;
  readonly pending: readonly PendingOp[];
}

const initial: LogState = { studioId: null, session: null, rows: {}, isLoaded: false, pending: [] };

/** A row that is older than the one that is here came late, and says nothing new. */
function withRows(rows: LogState['rows'], fresh: readonly StoredRow[]): LogState['rows'] {
  if (fresh.length === 0) return rows;
  const next = { ...rows };
  for (const stored of fresh) {
    const there = next[stored.row.id];
    if (there === undefined || stored.seq >= there.seq) next[stored.row.id] = stored;
  }
  return next;
}

export const logFeature = createFeature({
  name: 'log',
  reducer: createReducer(
    initial,
    on(LogActions.open, (_state, { studioId, session, kept }): LogState => ({
      ...initial,
      ...{ studioId, session, pending: kept },
    })),
    on(LogActions.close, (): LogState => initial),
    on(LogActions.arrived, (state, { session, rows }): LogState =>
      session === state.session ? { ...state, rows: withRows(state.rows, rows) } : state,
    ),
    on(LogActions.loaded, (state): LogState => ({ ...state, isLoaded: true })),
    on(LogActions.make, (state, { ops }): LogState => ({ ...state, pending: [...state.pending, ...ops] })),
    on(LogActions.answered, (state, { ids, answer }): LogState => ({
      ...state,
      rows: withRows(state.rows, answer.rows),
      pending: state.pending.filter(({ id }) => !ids.includes(id)),
    })),
    on(LogActions.retarget, (state, { ops }): LogState => {
      const by = new Map(ops.map((each) => [each.id, each]));
      return { ...state, pending: state.pending.map((each) => by.get(each.id) ?? each) };
    }),
  ),
  extraSelectors: ({ selectRows, selectPending }) => {
    const selectStored = createSelector(
      selectRows,
      (rows): Log => new Map(Object.values(rows).map(({ row }) => [row.id, row])),
    );
    return {
      selectStored,
      /** The log with what is made here and not confirmed yet. */
      selectLog: createSelector(selectStored, selectPending, (stored, pending) =>
        withOps(
          stored,
          pending.map(({ op }) => op),
        ),
      ),
      /** The last place in the order that is here. */
      selectSeq: createSelector(selectRows, (rows) =>
        Object.values(rows).reduce((most, { seq }) => Math.max(most, seq), 0),
      ),
    };
  },
});

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
import type { RowChange } from '@ft/core/takes/takeBack';
import type { PendingOp } from './log-pending';

/** Something done to the log in this window, as undo needs it. */
export interface LogStep {
  readonly label: string;
  readonly changes: readonly RowChange[];
  /** The own change of the studio that was the last one then: what came later is taken back first. */
  readonly after: number;
}

export const LogActions = createActionGroup({
  source: 'Log',
  events: {
    /** Somebody looks at the log of a session. */
    Open: props<{ studioId: string; session: string; kept: readonly PendingOp[] }>(),
    Close: emptyProps(),
    Arrived: props<{ session: string; rows: readonly StoredRow[] }>(),
    /** Everything that was written before is here. */
    Loaded: emptyProps(),
    Make: props<{ ops: readonly PendingOp[]; step?: LogStep }>(),
    /** The last step is taken back, or the one taken back last is made again. */
    Turn: props<{ ops: readonly PendingOp[]; way: 'undo' | 'redo' }>(),
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
  readonly done: readonly LogStep[];
  readonly undone: readonly LogStep[];
}

const initial: LogState = {
  ...{ studioId: null, session: null, rows: {}, isLoaded: false, pending: [] },
  ...{ done: [], undone: [] },
};

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
    on(LogActions.make, (state, { ops, step }): LogState => ({
      ...{ ...state, pending: [...state.pending, ...ops] },
      ...(step !== undefined && { done: [...state.done, step], undone: [] }),
    })),
    on(LogActions.turn, (state, { ops, way }): LogState => {
      const { done, undone } = state;
      const steps =
        way === 'undo'
          ? { done: done.slice(0, -1), undone: [...undone, ...done.slice(-1)] }
          : { done: [...done, ...undone.slice(-1)], undone: undone.slice(0, -1) };
      return { ...state, ...steps, pending: [...state.pending, ...ops] };
    }),
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

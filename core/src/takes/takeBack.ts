import { sameValue } from '../edits/sameValue';
import type { Log } from './applyOps';
import { withOps } from './applyOps';
import type { LogOp } from './logRows';

type Fields = Readonly<Record<string, unknown>>;

/** What a row was before and after something was done to it; null is a field that is empty. */
export interface RowChange {
  readonly id: string;
  readonly before: Fields;
  readonly after: Fields;
}

const filled = (row: object, field: string): unknown => (row as Fields)[field] ?? null;

/**
 * What operations change, so that it can be taken back. Rows stay in a log for ever: a note or a punch that was made is
 * crossed out instead, and a take that was started is none of these changes.
 */
export function changesOf(log: Log, ops: readonly LogOp[]): readonly RowChange[] {
  return ops.flatMap((op, i): RowChange[] => {
    if (op.op === 'add') {
      const { id, kind } = op.row;
      return kind === 'take' ? [] : [{ id, before: { struck: true }, after: { struck: null } }];
    }
    const row = withOps(log, ops.slice(0, i)).get(op.id);
    if (row === undefined) return [];
    const before = Object.fromEntries(Object.keys(op.fields).map((field) => [field, filled(row, field)]));
    return [{ id: op.id, before, after: op.fields }];
  });
}

/** Whether a row stands as it was left; a field that is empty is null. */
const standsSo = (row: object, left: Fields): boolean =>
  Object.entries(left).every(([field, value]) => sameValue(filled(row, field), value ?? null));

/**
 * The operations that bring changes back, or make them again. A row that somebody changed since stays as they left it,
 * and is counted.
 */
export function turned(
  log: Log,
  changes: readonly RowChange[],
  to: 'before' | 'after',
): { readonly ops: readonly LogOp[]; readonly changedSince: number } {
  const from = to === 'before' ? 'after' : 'before';
  const there = (to === 'before' ? [...changes].reverse() : changes).filter(({ id }) => log.has(id));
  const ops: LogOp[] = [];
  for (const change of there) {
    const row = withOps(log, ops).get(change.id);
    if (row !== undefined && standsSo(row, change[from]))
      ops.push({ op: 'set', id: change.id, fields: { ...change[to] } });
  }
  return { ops, changedSince: there.length - ops.length };
}

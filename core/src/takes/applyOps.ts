import { clockText, startOf, syncRefusal } from './counter';
import type { LogOp, LogRow } from './logRows';
import { logRowSchema } from './logRows';

/** Rows by id, those of one session. */
export type Log = ReadonlyMap<string, LogRow>;

/** What an operation makes of a log, or why it is not made: a stable code, and a sentence with the remedy. */
export type Applied =
  | { readonly ok: true; readonly row: LogRow; /** It stands so already. */ readonly isSame: boolean }
  | {
      readonly ok: false;
      readonly code: 'take-running' | 'no-take' | 'before-start' | 'misfit';
      readonly sentence: string;
    };

const refused = (code: Extract<Applied, { ok: false }>['code'], sentence: string): Applied => ({
  ...{ ok: false, code, sentence },
});

/** The take of a session that runs. */
export const runningIn = (log: Log): Extract<LogRow, { kind: 'take' }> | undefined => {
  for (const row of log.values()) if (row.kind === 'take' && row.endedAt === undefined) return row;
  return undefined;
};

/** What a row may not be among the others. */
function misfit(log: Log, row: LogRow): Applied | undefined {
  if (row.kind === 'take') {
    const running = runningIn(log);
    if (row.endedAt === undefined && running !== undefined && running.id !== row.id)
      return refused(
        'take-running',
        `Take ${String(running.number)} of ${running.reel || 'this session'} runs already, started by ${running.by || 'another window'}. Stop it first; notes can be dropped into it from here.`,
      );
    const backwards = row.syncs.map((sync) => syncRefusal(row, sync)).find((why) => why !== undefined);
    if (backwards !== undefined) return refused('before-start', backwards);
    const [start, end] = [startOf(row), row.endS];
    return end !== undefined && end < start
      ? refused(
          'before-start',
          `Take ${String(row.number)} cannot end at ${clockText(end)}, before its start at ${clockText(start)}.`,
        )
      : undefined;
  }
  const take = log.get(row.take);
  if (take?.kind !== 'take') return refused('no-take', 'Its take is not in this log. Start a take first.');
  if (row.kind === 'note')
    return row.counterS < startOf(take)
      ? refused(
          'before-start',
          `${clockText(row.counterS)} is before the start of take ${String(take.number)} at ${clockText(startOf(take))}. Type a time within the take.`,
        )
      : undefined;
  if (row.outS <= row.inS) return refused('misfit', 'A punch goes out after it goes in. Type a later out.');
  return row.preRollS === 0 && row.postRollS === 0
    ? refused(
        'misfit',
        'Pre-roll and post-roll are never both off: somebody has to come in, or out. Type one of them.',
      )
    : undefined;
}

const without = (fields: Readonly<Record<string, unknown>>): Record<string, unknown> =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== null));

/** Fields that say what a row is: they never change. */
const FIXED = ['id', 'kind', 'session', 'take', 'at'];

/** Makes an operation on the log of a session. Adding a row that is there, or setting what stands so, changes nothing. */
export function applyOp(log: Log, op: LogOp): Applied {
  if (op.op === 'add') {
    const there = log.get(op.row.id);
    if (there !== undefined) return { ok: true, row: there, isSame: true };
    return misfit(log, op.row) ?? { ok: true, row: op.row, isSame: false };
  }
  const before = log.get(op.id);
  if (before === undefined) return refused('no-take', 'This line is not in the log.');
  const fixed = FIXED.find((field) => field in op.fields);
  if (fixed !== undefined) return refused('misfit', `“${fixed}” of a line stays as it is.`);
  const read = logRowSchema.safeParse(without({ ...before, ...op.fields }));
  if (!read.success) {
    const [issue] = read.error.issues;
    return refused('misfit', `${issue?.path.join('.') ?? ''}: ${issue?.message ?? 'it does not fit'}.`);
  }
  return misfit(log, read.data) ?? { ok: true, row: read.data, isSame: false };
}

/** A log once some operations are made; those that are refused are left out. */
export function withOps(log: Log, ops: readonly LogOp[]): Log {
  if (ops.length === 0) return log;
  const next = new Map(log);
  for (const op of ops) {
    const made = applyOp(next, op);
    if (made.ok) next.set(made.row.id, made.row);
  }
  return next;
}

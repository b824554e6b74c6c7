import type { LogAnswer, StoredRow } from '@ft/contract/takeLog';
import { applyOp } from '@ft/core/takes/applyOps';
import type { LogOp } from '@ft/core/takes/logRows';

/** What the server makes of operations on a log: its rows, in the order they were written last, and the answer. */
export function writtenLog(
  before: readonly StoredRow[],
  ops: readonly LogOp[],
): { readonly rows: StoredRow[]; readonly answer: LogAnswer } {
  let rows = [...before];
  const answer: LogAnswer = { rows: [], refused: [] };
  for (const [at, op] of ops.entries()) {
    const made = applyOp(new Map(rows.map(({ row }) => [row.id, row])), op);
    if (!made.ok) answer.refused.push({ at, code: made.code, sentence: made.sentence });
    else {
      const stored = { seq: 1 + Math.max(0, ...rows.map(({ seq }) => seq)), row: made.row };
      rows = [...rows.filter(({ row }) => row.id !== made.row.id), stored];
      answer.rows.push(stored);
    }
  }
  return { rows, answer };
}

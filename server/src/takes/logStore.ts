import { Op } from 'sequelize';
import type { Transaction } from 'sequelize';
import type { LogAnswer, StoredRow } from '@ft/contract/takeLog';
import type { Applied } from '@ft/core/takes/applyOps';
import { applyOp } from '@ft/core/takes/applyOps';
import type { LogOp, LogRow } from '@ft/core/takes/logRows';
import type { LogRowRow } from '../database/models';
import type { Database } from '../database/openDatabase';

const storedOf = ({ seq, body }: LogRowRow): StoredRow => ({ seq, row: JSON.parse(body) as LogRow });

const columnsOf = (studioId: string, { seq, row }: StoredRow) => ({
  ...{ studioId, id: row.id, sessionId: row.session, kind: row.kind, seq },
  take: row.kind === 'take' ? (row.of ?? null) : row.take,
  counterS:
    row.kind === 'take' ? (row.syncs[0]?.counterS ?? null) : row.kind === 'note' ? row.counterS : row.inS,
  body: JSON.stringify(row),
});

/** Rows an operation names: they have to be read before it can be made. */
const named = (op: LogOp): readonly string[] => {
  if (op.op === 'set') return [op.id];
  return op.row.kind === 'take' ? [op.row.id] : [op.row.id, op.row.take];
};

/** An operation on the log of a session; a row of another one is refused. */
const madeOf = (log: ReadonlyMap<string, LogRow>, op: LogOp, sessionId: string): Applied =>
  op.op === 'add' && op.row.session !== sessionId
    ? { ok: false, code: 'misfit', sentence: 'This line belongs to the log of another session.' }
    : applyOp(log, op);

/** Takes, notes and punches of studios. Rows are added and changed, never taken away. */
export class LogStore {
  constructor(private readonly database: Database) {}

  /** What of a session was written after a place in the order, the oldest first. */
  async since(studioId: string, sessionId: string, seq: number, most: number): Promise<readonly StoredRow[]> {
    const found = await this.database.models.logRows.findAll({
      where: { studioId, sessionId, seq: { [Op.gt]: seq } },
      order: ['seq'],
      limit: most,
    });
    return found.map(storedOf);
  }

  /** The whole log of a session. */
  async ofSession(studioId: string, sessionId: string): Promise<readonly LogRow[]> {
    const found = await this.database.models.logRows.findAll({
      where: { studioId, sessionId },
      order: ['seq'],
    });
    return found.map((stored) => storedOf(stored).row);
  }

  /** How many rows a studio has. */
  count(studioId: string): Promise<number> {
    return this.database.models.logRows.count({ where: { studioId } });
  }

  /** Every row of a studio, page by page. */
  async *all(studioId: string, page = 500): AsyncGenerator<readonly StoredRow[]> {
    for (let after = 0; ;) {
      const found = await this.database.models.logRows.findAll({
        where: { studioId, seq: { [Op.gt]: after } },
        order: ['seq'],
        limit: page,
      });
      if (found.length === 0) return;
      yield found.map(storedOf);
      after = found.at(-1)?.seq ?? after;
    }
  }

  /**
   * Makes operations on the log of a session, in their order and in one transaction. What is refused is told, the
   * others are made; what was made before is answered as it stands. Undefined where there is no such session.
   */
  make(studioId: string, sessionId: string, ops: readonly LogOp[]): Promise<LogAnswer | undefined> {
    const { models } = this.database;
    return this.database.write(async (transaction) => {
      const session = await models.sessions.findOne({
        ...{ where: { studioId, id: sessionId }, attributes: ['id'], transaction },
      });
      if (session === null) return undefined;
      const there = await this.concerned(studioId, sessionId, ops, transaction);
      const log = new Map([...there].map(([id, { row }]) => [id, row]));
      let last = await this.last(studioId, transaction);
      const rows: StoredRow[] = [];
      const refused: LogAnswer['refused'] = [];
      for (const [at, op] of ops.entries()) {
        const made = madeOf(log, op, sessionId);
        if (!made.ok) {
          refused.push({ at, code: made.code, sentence: made.sentence });
          continue;
        }
        const stored = there.get(made.row.id);
        if (made.isSame && stored !== undefined) rows.push(stored);
        else {
          last += 1;
          const fresh = { seq: last, row: made.row };
          log.set(made.row.id, made.row);
          there.set(made.row.id, fresh);
          await models.logRows.upsert(columnsOf(studioId, fresh), { transaction });
          rows.push(fresh);
        }
      }
      return { rows, refused };
    });
  }

  /** Stores rows as they were written elsewhere: of an archive, a backup, the demo. */
  async fill(studioId: string, rows: readonly LogRow[], transaction: Transaction): Promise<void> {
    const all = rows.map((row, i) => columnsOf(studioId, { seq: i + 1, row }));
    for (let at = 0; at < all.length; at += 500)
      await this.database.models.logRows.bulkCreate(all.slice(at, at + 500), { transaction });
  }

  /** The takes of a session, and whatever rows the operations name. */
  private async concerned(
    studioId: string,
    sessionId: string,
    ops: readonly LogOp[],
    transaction: Transaction,
  ): Promise<Map<string, StoredRow>> {
    const ids = [...new Set(ops.flatMap(named))];
    const found = await this.database.models.logRows.findAll({
      where: { studioId, sessionId, [Op.or]: [{ kind: 'take' }, { id: ids }] },
      transaction,
    });
    return new Map(found.map((stored) => [stored.id, storedOf(stored)]));
  }

  private async last(studioId: string, transaction: Transaction): Promise<number> {
    const last = await this.database.models.logRows.max<number | null, LogRowRow>('seq', {
      ...{ where: { studioId }, transaction },
    });
    return last ?? 0;
  }
}

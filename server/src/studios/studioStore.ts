import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { Transaction as Transactions } from 'sequelize';
import type { StudioSummary } from '@ft/contract/studios';
import type { Database } from '../database/openDatabase';
import type { HistoryStore } from '../history/historyStore';
import type { StoredEntry } from '../history/storedEntry';
import type { Documents, SessionDocument, Standing, StoredStudio, StudioWrite } from './documents';
import { StaleWrite } from './staleWrite';
import { studioSummaries } from './studioSummaries';

/** Reads and writes studios. Every write is one transaction: all of it is there afterwards, or none. */
export class StudioStore {
  constructor(
    private readonly database: Database,
    private readonly history: HistoryStore,
  ) {}

  /** All studios, what was changed last first. */
  list(): Promise<readonly StudioSummary[]> {
    return studioSummaries(this.database.models);
  }

  /** As `list`, of one. */
  async summary(id: string): Promise<StudioSummary | undefined> {
    return (await studioSummaries(this.database.models, id))[0];
  }

  /** Remembers when a session was last opened. @returns whether there is such a session. */
  opened(studioId: string, sessionId: string, at: string): Promise<boolean> {
    const { sessions, openings } = this.database.models;
    return this.database.write(async (transaction) => {
      const row = await sessions.findOne({
        where: { studioId, id: sessionId },
        attributes: ['id'],
        transaction,
      });
      if (row === null) return false;
      await openings.upsert({ studioId, sessionId, at }, { transaction });
      return true;
    });
  }

  /** A studio as it stood at one moment: what is written meanwhile is not seen in half of it. */
  read(id: string): Promise<StoredStudio | undefined> {
    const { sequelize, models } = this.database;
    return sequelize.transaction({ type: Transactions.TYPES.DEFERRED }, async (transaction) => {
      const row = await models.studios.findByPk(id, { transaction });
      if (row === null) return undefined;
      const parts = await models.sessions.findAll({ where: { studioId: id }, order: ['id'], transaction });
      const { name, rig, floor, revision, incarnation } = row;
      const sessions = parts.map((part) => ({ id: part.id, name: part.name, document: part.document }));
      return { documents: { id, name, rig, floor, sessions }, revision, incarnation };
    });
  }

  /** Where a studio stands, without its documents. */
  async standing(id: string): Promise<Standing | undefined> {
    const row = await this.database.models.studios.findByPk(id, { attributes: ['revision', 'incarnation'] });
    return row === null ? undefined : { revision: row.revision, incarnation: row.incarnation };
  }

  /**
   * Stores a new studio, with the history it brings along. The id must be free.
   * @param write what else belongs into the same transaction.
   */
  create(
    documents: Documents,
    at: string,
    entries: readonly StoredEntry[] = [],
    write: (transaction: Transaction) => Promise<void> = () => Promise.resolve(),
  ): Promise<void> {
    const { id, name, rig, floor, sessions } = documents;
    const revision = entries.at(-1)?.revision ?? 0;
    const row = { id, incarnation: randomUUID(), name, revision, changedAt: at, rig, floor };
    return this.database.write(async (transaction) => {
      await this.database.models.studios.create(row, { transaction });
      await this.putSessions(id, sessions, transaction);
      await write(transaction);
      await this.history.fill(id, entries, transaction);
    });
  }

  remove(id: string): Promise<boolean> {
    return this.database.write(
      async (transaction) => (await this.database.models.studios.destroy({ where: { id }, transaction })) > 0,
    );
  }

  /**
   * Stores what a change made of a studio, and its history line. Throws `StaleWrite` unless the studio still
   * stands where the change was worked out.
   */
  append(studioId: string, from: Standing, write: StudioWrite, entry: StoredEntry): Promise<void> {
    const { name, rig, floor, sessions, gone } = write;
    return this.database.write(async (transaction) => {
      const [changed] = await this.database.models.studios.update(
        {
          ...{ name, revision: entry.revision, changedAt: entry.at },
          ...(rig !== undefined && { rig }),
          ...(floor !== undefined && { floor }),
        },
        { where: { id: studioId, revision: from.revision, incarnation: from.incarnation }, transaction },
      );
      if (changed !== 1) throw new StaleWrite(studioId);
      if (gone.length > 0)
        await this.database.models.sessions.destroy({ where: { studioId, id: [...gone] }, transaction });
      await this.putSessions(studioId, sessions, transaction);
      await this.history.append(studioId, entry, transaction);
    });
  }

  private async putSessions(
    studioId: string,
    sessions: readonly SessionDocument[],
    transaction: Transaction,
  ): Promise<void> {
    for (const session of sessions)
      await this.database.models.sessions.upsert({ studioId, ...session }, { transaction });
  }
}

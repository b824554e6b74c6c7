import type { Sequelize, Transaction } from 'sequelize';
import { Op } from 'sequelize';
import type { StudioSummary } from '@ft/contract/api';
import type { EditJson } from '@ft/core/edits/editKind';
import type { Entry } from '@ft/core/edits/ledger';
import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import type { Session } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import { EntryRow, SessionRow, StudioRow } from './models';

/** A studio with the revision it stands at. */
export interface StudioAt {
  readonly studio: Studio;
  readonly revision: number;
}

const entryOf = (row: EntryRow): Entry => ({
  revision: row.revision,
  change: row.changeId,
  label: row.label,
  author: row.author,
  at: row.at,
  edits: JSON.parse(row.edits) as EditJson[],
  inverse: JSON.parse(row.inverse) as EditJson[],
  ...(row.undoes !== null && { undoes: row.undoes }),
  ...(row.redoes !== null && { redoes: row.redoes }),
  ...(row.device !== null && { device: row.device }),
});

/** Reads and writes studios. Every write is one transaction: all of it is there afterwards, or none. */
export class StudioStore {
  constructor(private readonly sequelize: Sequelize) {}

  async list(): Promise<readonly StudioSummary[]> {
    const [studios, sessions] = await Promise.all([
      StudioRow.findAll({
        attributes: ['id', 'name', 'revision', 'changedAt'],
        order: [['changedAt', 'DESC']],
      }),
      SessionRow.findAll({ attributes: ['studioId', 'id', 'name'], order: ['id'] }),
    ]);
    return studios.map(({ id, name, revision, changedAt }) => ({
      id,
      name,
      revision,
      changedAt,
      sessions: sessions.filter((row) => row.studioId === id).map((row) => ({ id: row.id, name: row.name })),
    }));
  }

  async read(id: string): Promise<StudioAt | undefined> {
    const row = await StudioRow.findByPk(id);
    if (row === null) return undefined;
    const sessions = await SessionRow.findAll({ where: { studioId: id }, order: ['id'] });
    // Parsed, so that a document of an older version gets what has been added since.
    const studio = studioSchema.parse({
      id: row.id,
      name: row.name,
      rig: JSON.parse(row.rig) as unknown,
      floor: JSON.parse(row.floor) as unknown,
      sessions: sessions.map((session) => JSON.parse(session.document) as unknown),
    });
    return { studio, revision: row.revision };
  }

  /** Stores a new studio at revision 0. The id must be free. */
  async create(studio: Studio, at: string): Promise<void> {
    const stored = canonicalStudio(studio);
    await this.sequelize.transaction(async (transaction) => {
      const { id, name, rig, floor } = stored;
      await StudioRow.create(
        {
          ...{ id, name, revision: 0, changedAt: at },
          rig: JSON.stringify(rig),
          floor: JSON.stringify(floor),
        },
        { transaction },
      );
      await this.putSessions(stored, stored.sessions, transaction);
    });
  }

  async remove(id: string): Promise<boolean> {
    return (await StudioRow.destroy({ where: { id } })) > 0;
  }

  /** Stores what a change made of a studio, and its history line. Only documents that changed are written. */
  async append(before: Studio, after: Studio, entry: Entry): Promise<void> {
    const studioId = after.id;
    await this.sequelize.transaction(async (transaction) => {
      await StudioRow.update(
        {
          name: after.name,
          revision: entry.revision,
          changedAt: entry.at,
          ...(after.rig !== before.rig && { rig: JSON.stringify(after.rig) }),
          ...(after.floor !== before.floor && { floor: JSON.stringify(after.floor) }),
        },
        { where: { id: studioId }, transaction },
      );
      const gone = before.sessions.filter((old) => !after.sessions.some((session) => session.id === old.id));
      if (gone.length > 0)
        await SessionRow.destroy({ where: { studioId, id: gone.map(({ id }) => id) }, transaction });
      await this.putSessions(
        after,
        after.sessions.filter((session) => !before.sessions.includes(session)),
        transaction,
      );
      const { change, edits, inverse, undoes = null, redoes = null, device = null, ...line } = entry;
      await EntryRow.create(
        {
          ...line,
          studioId,
          changeId: change,
          undoes,
          redoes,
          device,
          edits: JSON.stringify(edits),
          inverse: JSON.stringify(inverse),
        },
        { transaction },
      );
    });
  }

  /** History lines after a revision, oldest first. */
  async entriesSince(studioId: string, revision: number): Promise<readonly Entry[]> {
    const rows = await EntryRow.findAll({
      where: { studioId, revision: { [Op.gt]: revision } },
      order: [['revision', 'ASC']],
    });
    return rows.map(entryOf);
  }

  async entryAt(studioId: string, revision: number): Promise<Entry | undefined> {
    const row = await EntryRow.findOne({ where: { studioId, revision } });
    return row === null ? undefined : entryOf(row);
  }

  async entryOfChange(studioId: string, changeId: string): Promise<Entry | undefined> {
    const row = await EntryRow.findOne({ where: { studioId, changeId } });
    return row === null ? undefined : entryOf(row);
  }

  /** What the undo stack needs, oldest first: no documents, so a long history stays cheap. */
  async stackOf(studioId: string): Promise<readonly EntryRow[]> {
    return EntryRow.findAll({
      where: { studioId },
      attributes: ['revision', 'author', 'label', 'undoes', 'redoes'],
      order: [['revision', 'ASC']],
    });
  }

  private async putSessions(
    studio: Studio,
    sessions: readonly Session[],
    transaction: Transaction,
  ): Promise<void> {
    for (const session of sessions)
      await SessionRow.upsert(
        { studioId: studio.id, id: session.id, name: session.name, document: JSON.stringify(session) },
        { transaction },
      );
  }
}

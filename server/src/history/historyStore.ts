import { bare } from './bareLabel';
import type { Transaction } from 'sequelize';
import { Op } from 'sequelize';
import type { HistoryLine, UndoState } from '@ft/contract/history';
import { undoStacks } from '@ft/core/edits/undoStack';
import type { EntryRow, StackMark } from '../database/models';
import type { Database } from '../database/openDatabase';
import type { StoredEntry } from './storedEntry';

const entryOf = (row: EntryRow): StoredEntry => ({
  revision: row.revision,
  change: row.changeId,
  label: row.label,
  author: row.author,
  at: row.at,
  edits: row.edits,
  inverse: row.inverse,
  editCount: row.editCount,
  ...(row.undoes !== null && { undoes: row.undoes }),
  ...(row.redoes !== null && { redoes: row.redoes }),
  ...(row.tablet !== null && { tablet: row.tablet }),
});

/** Lines written at once. */
const AT_ONCE = 500;

const LINE = ['revision', 'changeId', 'label', 'author', 'at', 'undoes', 'redoes', 'tablet', 'editCount'];

/** Reads and writes the history. What undo and redo would take next is marked in it (`stack`). */
export class HistoryStore {
  constructor(private readonly database: Database) {}

  /** Lines after a revision, oldest first, at most so many. */
  async since(studioId: string, revision: number, most: number): Promise<readonly StoredEntry[]> {
    const rows = await this.database.models.entries.findAll({
      where: { studioId, revision: { [Op.gt]: revision } },
      order: [['revision', 'ASC']],
      limit: most,
    });
    return rows.map(entryOf);
  }

  /** A page of lines before a revision, newest first, without the edits. */
  async page(
    studioId: string,
    before: number,
    most: number,
    author: string,
  ): Promise<readonly HistoryLine[]> {
    const { entries, tablets } = this.database.models;
    const rows = await entries.findAll({
      where: { studioId, revision: { [Op.lt]: before } },
      attributes: LINE,
      order: [['revision', 'DESC']],
      limit: most,
    });
    const ids = [...new Set(rows.flatMap(({ tablet }) => tablet ?? []))];
    const named = await tablets.findAll({ where: { id: ids }, attributes: ['id', 'name'] });
    const names = new Map(named.map(({ id, name }) => [id, name]));
    return rows.map((row) => {
      const { edits: _e, inverse: _i, author: by, tablet, ...line } = entryOf(row);
      const name = tablet === undefined ? undefined : (names.get(tablet) ?? 'a tablet');
      return { ...line, mine: by === author, ...(name !== undefined && { tablet: name }) };
    });
  }

  async entryAt(studioId: string, revision: number): Promise<StoredEntry | undefined> {
    const row = await this.database.models.entries.findOne({ where: { studioId, revision } });
    return row === null ? undefined : entryOf(row);
  }

  async entryOfChange(studioId: string, changeId: string): Promise<StoredEntry | undefined> {
    const row = await this.database.models.entries.findOne({ where: { studioId, changeId } });
    return row === null ? undefined : entryOf(row);
  }

  /** What undo and redo would take next for an author: two looks into an index, however long the history is. */
  async undoState(studioId: string, author: string): Promise<UndoState> {
    const last = (stack: 'done' | 'undone'): Promise<EntryRow | null> =>
      this.database.models.entries.findOne({
        where: { studioId, author, stack },
        attributes: ['revision', 'label'],
        order: [['revision', 'DESC']],
        // Said, since the library leaves it out where a part of the key is asked for.
        limit: 1,
      });
    const [done, undone] = await Promise.all([last('done'), last('undone')]);
    return {
      ...(done !== null && { undo: { revision: done.revision, label: bare(done.label) } }),
      ...(undone !== null && { redo: { revision: undone.revision, label: bare(undone.label) } }),
    };
  }

  /** Writes a whole history of a studio that has none yet, with the marks it leads to. */
  async fill(studioId: string, lines: readonly StoredEntry[], transaction: Transaction): Promise<void> {
    const marks = new Map<number, StackMark>();
    for (const author of new Set(lines.map((line) => line.author))) {
      const { done, undone } = undoStacks(lines, author);
      for (const revision of done) marks.set(revision, 'done');
      for (const revision of undone) marks.set(revision, 'undone');
    }
    const rows = lines.map(({ change, undoes = null, redoes = null, tablet = null, ...line }) => ({
      ...{ ...line, studioId, changeId: change, undoes, redoes, tablet },
      stack: marks.get(line.revision) ?? null,
    }));
    for (let at = 0; at < rows.length; at += AT_ONCE)
      await this.database.models.entries.bulkCreate(rows.slice(at, at + AT_ONCE), { transaction });
  }

  /** Appends a line and moves the marks: the author's stacks are then what the whole history would say. */
  async append(studioId: string, entry: StoredEntry, transaction: Transaction): Promise<void> {
    const { entries } = this.database.models;
    const { author, undoes = null, redoes = null, tablet = null, change, ...line } = entry;
    const taken = undoes ?? redoes;
    await entries.update(
      { stack: null },
      {
        where: taken === null ? { studioId, author, stack: 'undone' } : { studioId, author, revision: taken },
        transaction,
      },
    );
    const stack = undoes === null ? 'done' : 'undone';
    await entries.create(
      { ...line, studioId, changeId: change, author, undoes, redoes, tablet, stack },
      { transaction },
    );
  }
}

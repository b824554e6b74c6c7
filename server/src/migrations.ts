import type { QueryInterface } from 'sequelize';
import { DataTypes } from 'sequelize';
import { floorOfPlugged, withoutPlugged } from '@ft/core/formats/liftPlugged';

interface Migration {
  readonly name: string;
  up(params: { context: QueryInterface }): Promise<void>;
  down(params: { context: QueryInterface }): Promise<void>;
}

// Sequelize writes into the definitions it is given, so each column gets its own.
const id = () => ({ type: DataTypes.STRING(96), allowNull: false }) as const;
const text = () => ({ type: DataTypes.TEXT, allowNull: false }) as const;
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false }) as const;
const studioKey = () => ({
  ...id(),
  primaryKey: true,
  references: { model: 'studios', key: 'id' },
  onDelete: 'CASCADE',
});

/** The rows of a table, read without the models: those belong to the newest version. */
async function rowsOf(context: QueryInterface, table: string): Promise<readonly Record<string, string>[]> {
  const rows: unknown = await context.select(null, table, {});
  return rows as readonly Record<string, string>[];
}

const lifted = (json: string | undefined): string =>
  JSON.stringify(withoutPlugged(JSON.parse(json ?? 'null')));

/** What scenes had marked as plugged lies on the floor from now on, in documents and in the history alike. */
async function liftFloors(context: QueryInterface): Promise<void> {
  const sessions = await rowsOf(context, 'sessions');
  for (const { id } of await rowsOf(context, 'studios')) {
    const own = sessions.filter(({ studioId }) => studioId === id);
    const floor = floorOfPlugged(own.map(({ document }) => JSON.parse(document ?? 'null') as unknown));
    await context.bulkUpdate('studios', { floor: JSON.stringify(floor) }, { id });
  }
  for (const { studioId, id, document } of sessions)
    await context.bulkUpdate('sessions', { document: lifted(document) }, { studioId, id });
  for (const { studioId, revision, edits, inverse } of await rowsOf(context, 'entries')) {
    const entry = { edits: lifted(edits), inverse: lifted(inverse) };
    await context.bulkUpdate('entries', entry, { studioId, revision });
  }
}

/** Every change of the tables, in order. A migration that has shipped is never changed. */
export const MIGRATIONS: Migration[] = [
  {
    name: '0001-studios-sessions-entries',
    async up({ context }) {
      await context.createTable('studios', {
        id: { ...id(), primaryKey: true },
        name: text(),
        revision: whole(),
        changedAt: text(),
        rig: text(),
      });
      await context.createTable('sessions', {
        studioId: studioKey(),
        id: { ...id(), primaryKey: true },
        name: text(),
        document: text(),
      });
      await context.createTable('entries', {
        studioId: studioKey(),
        revision: { ...whole(), primaryKey: true },
        changeId: id(),
        label: text(),
        author: id(),
        at: text(),
        undoes: { type: DataTypes.INTEGER, allowNull: true },
        redoes: { type: DataTypes.INTEGER, allowNull: true },
        edits: text(),
        inverse: text(),
      });
      await context.addIndex('entries', ['studioId', 'changeId'], {
        unique: true,
        name: 'entries_by_change',
      });
      await context.addIndex('entries', ['studioId', 'author', 'revision'], { name: 'entries_by_author' });
    },
    async down({ context }) {
      for (const table of ['entries', 'sessions', 'studios']) await context.dropTable(table);
    },
  },
  {
    name: '0002-floor',
    async up({ context }) {
      await context.addColumn('studios', 'floor', { ...text(), defaultValue: '{}' });
      await liftFloors(context);
    },
    async down({ context }) {
      // Sequelize would copy the table and drop the old one, and the sessions with it.
      await context.sequelize.query('ALTER TABLE studios DROP COLUMN floor');
    },
  },
  {
    name: '0003-devices',
    async up({ context }) {
      await context.createTable('devices', {
        ...{ id: { ...id(), primaryKey: true }, name: text(), role: text(), pairedAt: text() },
        ...{ seenAt: { type: DataTypes.TEXT, allowNull: true }, secretHash: text() },
      });
      await context.createTable('settings', { key: { ...id(), primaryKey: true }, value: text() });
      await context.addColumn('entries', 'device', { type: DataTypes.TEXT, allowNull: true });
    },
    async down({ context }) {
      await context.sequelize.query('ALTER TABLE entries DROP COLUMN device');
      for (const table of ['settings', 'devices']) await context.dropTable(table);
    },
  },
];

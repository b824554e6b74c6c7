import type { QueryInterface } from 'sequelize';
import { DataTypes } from 'sequelize';

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
];

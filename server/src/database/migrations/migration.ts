import type { QueryInterface, Transaction } from 'sequelize';

/** What a migration works with. Everything it does is done in the one transaction, or not at all. */
export interface MigrationContext {
  readonly tables: QueryInterface;
  readonly transaction: Transaction;
  /** Says how far it is, where it takes long. */
  progress(done: number, of: number): void;
}

/** A change of the tables. One that has shipped keeps its name and leaves the same tables behind. */
export interface Migration {
  readonly name: string;
  up(context: MigrationContext): Promise<void>;
}

/** Whether a table has a column. Migrations of the first versions could be killed between two statements. */
export async function hasColumn(context: MigrationContext, table: string, column: string): Promise<boolean> {
  const { tables, transaction } = context;
  const [rows] = await tables.sequelize.query(`PRAGMA table_info(${table})`, { transaction });
  return (rows as readonly { readonly name: string }[]).some(({ name }) => name === column);
}

/** Rows of a table, read without the models: those belong to the newest version. */
export async function rowsOf(
  { tables, transaction }: MigrationContext,
  sql: string,
  replacements: readonly string[] = [],
): Promise<readonly Record<string, string>[]> {
  const [rows] = await tables.sequelize.query(sql, { transaction, replacements: [...replacements] });
  return rows as readonly Record<string, string>[];
}

/** Runs statements one after another. */
export async function run({ tables, transaction }: MigrationContext, ...statements: string[]): Promise<void> {
  for (const sql of statements) await tables.sequelize.query(sql, { transaction });
}

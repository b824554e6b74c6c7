import type { QueryInterface, Sequelize } from 'sequelize';
import { Transaction } from 'sequelize';
import { Umzug } from 'umzug';
import { MIGRATIONS } from './migrations/migrations';
import type { Migration } from './migrations/migration';

/** What is said while tables are brought up to date. */
export type Say = (line: string) => void;

/** The data was written by a version of the program that this one does not know. */
export class NewerData extends Error {
  constructor(readonly migration: string) {
    super(`the data has a migration that is not known here: ${migration}`);
  }
}

/** The table of the library that the first versions used: names of the migrations that are done. */
const DONE = 'SequelizeMeta';

export async function doneMigrations(sequelize: Sequelize): Promise<readonly string[]> {
  await sequelize.query(`CREATE TABLE IF NOT EXISTS ${DONE} (name VARCHAR(255) NOT NULL UNIQUE PRIMARY KEY)`);
  const [rows] = await sequelize.query(`SELECT name FROM ${DONE} ORDER BY name`);
  return (rows as readonly { readonly name: string }[]).map(({ name }) => name);
}

/** Progress of a long migration is said at every tenth, and never for a short one. */
const WORTH_SAYING = 2_000;

function progressOf(name: string, say: Say): (done: number, of: number) => void {
  return (done, of) => {
    if (of >= WORTH_SAYING && done % Math.ceil(of / 10) === 0)
      say(`  ${name}: ${String(done)} of ${String(of)}`);
  };
}

/** Runs a migration and writes down that it is done, in one transaction: killed in between, nothing has happened. */
async function atomically(sequelize: Sequelize, migration: Migration, say: Say): Promise<void> {
  const type = Transaction.TYPES.IMMEDIATE;
  await sequelize.transaction({ type }, async (transaction) => {
    const tables: QueryInterface = sequelize.getQueryInterface();
    await migration.up({ tables, transaction, progress: progressOf(migration.name, say) });
    await tables.bulkInsert(DONE, [{ name: migration.name }], { transaction });
  });
}

/** The migrations a data base still needs. Throws `NewerData` where it has one that is not known here. */
export async function pendingMigrations(
  sequelize: Sequelize,
  migrations: readonly Migration[] = MIGRATIONS,
): Promise<readonly Migration[]> {
  const done = await doneMigrations(sequelize);
  const unknown = done.find((name) => !migrations.some((migration) => migration.name === name));
  if (unknown !== undefined) throw new NewerData(unknown);
  return migrations.filter(({ name }) => !done.includes(name));
}

/** Brings the tables up to date. What is done stays done; a migration that fails leaves nothing behind. */
export async function migrate(
  sequelize: Sequelize,
  migrations: readonly Migration[],
  say: Say,
): Promise<void> {
  await new Umzug({
    migrations: migrations.map((migration) => ({
      name: migration.name,
      up: () => atomically(sequelize, migration, say),
    })),
    storage: {
      executed: async () => [...(await doneMigrations(sequelize))],
      // Written down in the transaction of the migration itself.
      logMigration: () => Promise.resolve(),
      unlogMigration: () => Promise.resolve(),
    },
    logger: undefined,
  }).up();
}

import type { Sequelize } from 'sequelize';
import { Transaction } from 'sequelize';
import { connect } from './connection';
import type { Say } from './migrate';
import { doneMigrations, migrate, pendingMigrations } from './migrate';
import type { Models } from './models';
import { modelsOf } from './models';

/** A data base that is open and up to date. */
export class Database {
  private turn: Promise<unknown> = Promise.resolve();

  constructor(
    readonly sequelize: Sequelize,
    readonly models: Models,
    readonly file: string,
  ) {}

  /**
   * Runs a transaction that writes, after those that were asked for before: all of it is there afterwards, or
   * none. SQLite has one writer; waiting here costs nothing, waiting inside it would hold a thread.
   */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
    const type = Transaction.TYPES.IMMEDIATE;
    const mine = this.turn.then(() => this.sequelize.transaction({ type }, work));
    this.turn = mine.catch(() => undefined);
    return mine;
  }

  /** Waits for what is being written, moves the write-ahead log into the file, and closes it. */
  async close(): Promise<void> {
    await this.turn;
    await this.sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)').catch(() => undefined);
    await this.sequelize.close();
  }
}

export interface Opening {
  /** Told how far an upgrade is. */
  readonly say?: Say;
  /** Makes a copy that can be gone back to, before the tables of older data are touched. */
  readonly copyBefore?: (migration: string) => Promise<void>;
  readonly logging?: (sql: string) => void;
}

/** Opens a data base file and brings its tables up to date. Throws `NewerData` where it is ahead of this program. */
export async function openDatabase(
  file: string,
  { say = () => undefined, copyBefore, logging }: Opening = {},
): Promise<Database> {
  const sequelize = await connect(file, logging ?? false);
  try {
    const isNew = (await doneMigrations(sequelize)).length === 0;
    const pending = await pendingMigrations(sequelize);
    const [first] = pending;
    if (first !== undefined && !isNew) {
      say(`The data is of an older version and is brought up to date (${String(pending.length)} steps).`);
      await copyBefore?.(first.name);
    }
    await migrate(sequelize, pending, say);
    return new Database(sequelize, modelsOf(sequelize), file);
  } catch (error) {
    await sequelize.close().catch(() => undefined);
    throw error;
  }
}

import { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { MIGRATIONS } from './migrations';
import { defineModels } from './models';

/**
 * Opens the database file, brings its tables up to date and sets it to survive a kill: write-ahead
 * log, every commit flushed to the disk.
 */
export async function openDatabase(file: string): Promise<Sequelize> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  await sequelize.query('PRAGMA journal_mode = WAL');
  await sequelize.query('PRAGMA synchronous = FULL');
  await sequelize.query('PRAGMA foreign_keys = ON');
  await new Umzug({
    migrations: MIGRATIONS,
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  }).up();
  defineModels(sequelize);
  return sequelize;
}

import { Sequelize } from 'sequelize';

/** How long a statement waits for another connection that writes, ms. */
const PATIENCE_MS = 20_000;

/**
 * Every commit is flushed to the disk before it is confirmed, references hold, and a busy file is waited
 * for. The library opens a connection of its own for each transaction, and these settings belong to the
 * connection, so each one gets them.
 */
const SETTINGS = [
  'PRAGMA synchronous = FULL',
  'PRAGMA foreign_keys = ON',
  `PRAGMA busy_timeout = ${String(PATIENCE_MS)}`,
];

interface RawConnection {
  exec(sql: string, done: (error: Error | null) => void): unknown;
}

const settle = (connection: RawConnection): Promise<void> =>
  new Promise((resolve, reject) => {
    connection.exec(SETTINGS.join(';'), (error) => {
      if (error === null) resolve();
      else reject(error);
    });
  });

/** A data base file, opened with the write-ahead log. Tables are not looked at. */
export async function connect(
  file: string,
  logging: false | ((sql: string) => void) = false,
): Promise<Sequelize> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging });
  const { connectionManager } = sequelize;
  const plain = connectionManager.getConnection.bind(connectionManager);
  const settled = new WeakSet();
  connectionManager.getConnection = async (options) => {
    const connection = await plain(options);
    if (!settled.has(connection)) {
      await settle(connection as unknown as RawConnection);
      settled.add(connection);
    }
    return connection;
  };
  await sequelize.query('PRAGMA journal_mode = WAL');
  return sequelize;
}

import sqlite3 from 'sqlite3';

export type RawRow = Readonly<Record<string, unknown>>;

/** A data base file without models: for copying, checking and locking. */
export interface RawDatabase {
  all(sql: string): Promise<readonly RawRow[]>;
  close(): Promise<void>;
}

/** Opens a file. `mustExist`: one that is not there is an error, and none is made. */
export function openRaw(file: string, { mustExist }: { readonly mustExist: boolean }): Promise<RawDatabase> {
  const mode = sqlite3.OPEN_READWRITE | (mustExist ? 0 : sqlite3.OPEN_CREATE);
  return new Promise((resolve, reject) => {
    const database = new sqlite3.Database(file, mode, (error) => {
      if (error !== null) {
        reject(error);
        return;
      }
      resolve({
        all: (sql) =>
          new Promise((done, fail) => {
            database.all(sql, (failed: Error | null, rows: RawRow[]) => {
              if (failed === null) done(rows);
              else fail(failed);
            });
          }),
        close: () =>
          new Promise((done, fail) => {
            database.close((failed) => {
              if (failed === null) done();
              else fail(failed);
            });
          }),
      });
    });
  });
}

/** Runs something on a file and closes it, whatever happens. */
export async function withRaw<T>(
  file: string,
  work: (database: RawDatabase) => Promise<T>,
  mustExist = true,
): Promise<T> {
  const database = await openRaw(file, { mustExist });
  try {
    return await work(database);
  } finally {
    await database.close();
  }
}

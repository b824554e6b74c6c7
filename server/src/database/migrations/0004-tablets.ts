import type { Migration, MigrationContext } from './migration';
import { rowsOf, run } from './migration';

const ID = 'lower(hex(randomblob(16)))';

/** Names were not distinct: the second of one name is counted. */
async function tellApart(context: MigrationContext): Promise<void> {
  const { tables, transaction } = context;
  const taken = new Set<string>();
  for (const { id, name = '' } of await rowsOf(
    context,
    'SELECT id, name FROM tablets ORDER BY pairedAt, id',
  )) {
    let own = name;
    for (let n = 2; taken.has(own); n++) own = `${name} ${String(n)}`;
    taken.add(own);
    if (own !== name) await tables.bulkUpdate('tablets', { name: own }, { id }, { transaction });
  }
}

/**
 * Devices are gear; what is paired is a tablet. The history refers to one by its id: lines of a name that no
 * tablet has any more get a revoked one of that name.
 */
export const tablets: Migration = {
  name: '0004-tablets',
  async up(context) {
    await run(
      context,
      'ALTER TABLE devices RENAME TO tablets',
      'ALTER TABLE tablets ADD COLUMN revokedAt TEXT',
      `INSERT INTO tablets (id, name, role, pairedAt, seenAt, secretHash, revokedAt)
       SELECT ${ID}, device, 'tick', min(at), max(at), '', max(at) FROM entries
       WHERE device IS NOT NULL AND device NOT IN (SELECT name FROM tablets) GROUP BY device`,
      'ALTER TABLE entries RENAME COLUMN device TO tablet',
      `UPDATE entries SET tablet = (SELECT min(id) FROM tablets WHERE name = entries.tablet)
       WHERE tablet IS NOT NULL`,
    );
    await tellApart(context);
    await run(context, 'CREATE UNIQUE INDEX tablets_by_name ON tablets (name) WHERE revokedAt IS NULL');
  },
};

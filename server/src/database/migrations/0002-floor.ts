import { floorOfPlugged, withoutPlugged } from '@ft/core/formats/liftPlugged';
import type { Migration, MigrationContext } from './migration';
import { hasColumn, rowsOf, run } from './migration';

/** What the column holds until the floor of a studio has been worked out. */
const UNTOUCHED = '{}';

const lifted = (json: string | undefined): string =>
  JSON.stringify(withoutPlugged(JSON.parse(json ?? 'null')));

/**
 * The floor of each studio that has none yet. The version that shipped worked out all floors before it took
 * the marks out of the sessions, so a floor that is there was made from whole sessions, and stays.
 */
async function liftFloors(context: MigrationContext): Promise<void> {
  const { tables, transaction } = context;
  for (const { id } of await rowsOf(context, `SELECT id FROM studios WHERE floor = '${UNTOUCHED}'`)) {
    const sessions = await tables.select(null, 'sessions', { where: { studioId: id }, transaction });
    const documents = (sessions as { document: string }[]).map(
      ({ document }) => JSON.parse(document) as unknown,
    );
    const floor = JSON.stringify(floorOfPlugged(documents));
    await tables.bulkUpdate('studios', { floor }, { id }, { transaction });
  }
}

async function liftDocuments(context: MigrationContext): Promise<void> {
  const { tables, transaction } = context;
  for (const { studioId, id, document } of await rowsOf(context, 'SELECT * FROM sessions'))
    await tables.bulkUpdate('sessions', { document: lifted(document) }, { studioId, id }, { transaction });
  const entries = await rowsOf(context, 'SELECT studioId, revision FROM entries');
  for (const [i, { studioId, revision }] of entries.entries()) {
    const where = { studioId, revision };
    const [entry] = (await tables.select(null, 'entries', { where, transaction })) as {
      edits: string;
      inverse: string;
    }[];
    const lift = { edits: lifted(entry?.edits), inverse: lifted(entry?.inverse) };
    await tables.bulkUpdate('entries', lift, where, { transaction });
    context.progress(i + 1, entries.length);
  }
}

/** What scenes had marked as plugged lies on the floor from now on, in documents and in the history alike. */
export const floor: Migration = {
  name: '0002-floor',
  async up(context) {
    if (!(await hasColumn(context, 'studios', 'floor')))
      await run(context, `ALTER TABLE studios ADD COLUMN floor TEXT NOT NULL DEFAULT '${UNTOUCHED}'`);
    await liftFloors(context);
    await liftDocuments(context);
  },
};

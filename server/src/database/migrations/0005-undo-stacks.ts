import { undoStacks } from '@ft/core/edits/undoStack';
import type { StackEntry } from '@ft/core/edits/undoStack';
import type { StackMark } from '../models';
import type { Migration, MigrationContext } from './migration';
import { rowsOf, run } from './migration';

async function mark(
  context: MigrationContext,
  studioId: string,
  stack: StackMark,
  revisions: readonly number[],
): Promise<void> {
  const { tables, transaction } = context;
  for (const [i, revision] of revisions.entries()) {
    await tables.bulkUpdate('entries', { stack }, { studioId, revision }, { transaction });
    context.progress(i + 1, revisions.length);
  }
}

/**
 * What undo and redo would take next stands in the history itself, so that asking costs one look into an
 * index, however long it is; so does how many edits a line has. Studios get incarnations.
 */
export const undoStackMarks: Migration = {
  name: '0005-undo-stacks',
  async up(context) {
    await run(
      context,
      "ALTER TABLE studios ADD COLUMN incarnation VARCHAR(96) NOT NULL DEFAULT ''",
      'UPDATE studios SET incarnation = lower(hex(randomblob(16)))',
      'ALTER TABLE entries ADD COLUMN stack TEXT',
      'ALTER TABLE entries ADD COLUMN editCount INTEGER NOT NULL DEFAULT 0',
      'UPDATE entries SET editCount = json_array_length(edits)',
    );
    for (const { id = '' } of await rowsOf(context, 'SELECT id FROM studios')) {
      const lines = (await rowsOf(
        context,
        'SELECT revision, author, undoes, redoes FROM entries WHERE studioId = ? ORDER BY revision',
        [id],
      )) as unknown as readonly StackEntry[];
      for (const author of new Set(lines.map((line) => line.author))) {
        const { done, undone } = undoStacks(lines, author);
        await mark(context, id, 'done', done);
        await mark(context, id, 'undone', undone);
      }
    }
    await run(
      context,
      'CREATE INDEX entries_on_stack ON entries (studioId, author, stack, revision) WHERE stack IS NOT NULL',
    );
  },
};

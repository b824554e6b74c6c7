import type { Migration } from './migration';
import { run } from './migration';

/**
 * Takes, notes and punches, beside the documents. A session that is removed may come back by undo, and its log with
 * it, so that only the studio takes them along.
 */
export const logRows: Migration = {
  name: '0008-log-rows',
  async up(context) {
    await run(
      context,
      'CREATE TABLE `logRows` (`studioId` VARCHAR(96) NOT NULL REFERENCES `studios` (`id`) ON DELETE CASCADE, `id` VARCHAR(96) NOT NULL, `sessionId` VARCHAR(96) NOT NULL, `kind` VARCHAR(16) NOT NULL, `take` VARCHAR(96), `counterS` REAL, `seq` INTEGER NOT NULL, `body` TEXT NOT NULL, PRIMARY KEY (`studioId`, `id`))',
    );
    await run(context, 'CREATE UNIQUE INDEX `logRows_seq` ON `logRows` (`studioId`, `seq`)');
    await run(context, 'CREATE INDEX `logRows_session` ON `logRows` (`studioId`, `sessionId`, `seq`)');
    await run(context, 'CREATE INDEX `logRows_kind` ON `logRows` (`studioId`, `sessionId`, `kind`)');
  },
};

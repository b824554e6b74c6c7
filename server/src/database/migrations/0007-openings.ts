import type { Migration } from './migration';
import { run } from './migration';

/** When each session was last opened: the first screen says it. It is no part of the studio, and no change of it. */
export const openings: Migration = {
  name: '0007-openings',
  up: (context) =>
    run(
      context,
      'CREATE TABLE `openings` (`studioId` VARCHAR(96) NOT NULL REFERENCES `studios` (`id`) ON DELETE CASCADE, `sessionId` VARCHAR(96) NOT NULL, `at` TEXT NOT NULL, PRIMARY KEY (`studioId`, `sessionId`))',
    ),
};

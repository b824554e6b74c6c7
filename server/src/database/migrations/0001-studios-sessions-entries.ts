import type { Migration } from './migration';
import { run } from './migration';

/** The first tables. `IF NOT EXISTS`: the version that shipped could be killed between two of them. */
export const studiosSessionsEntries: Migration = {
  name: '0001-studios-sessions-entries',
  up: (context) =>
    run(
      context,
      'CREATE TABLE IF NOT EXISTS `studios` (`id` VARCHAR(96) NOT NULL PRIMARY KEY, `name` TEXT NOT NULL, `revision` INTEGER NOT NULL, `changedAt` TEXT NOT NULL, `rig` TEXT NOT NULL)',
      'CREATE TABLE IF NOT EXISTS `sessions` (`studioId` VARCHAR(96) NOT NULL REFERENCES `studios` (`id`) ON DELETE CASCADE, `id` VARCHAR(96) NOT NULL, `name` TEXT NOT NULL, `document` TEXT NOT NULL, PRIMARY KEY (`studioId`, `id`))',
      'CREATE TABLE IF NOT EXISTS `entries` (`studioId` VARCHAR(96) NOT NULL REFERENCES `studios` (`id`) ON DELETE CASCADE, `revision` INTEGER NOT NULL, `changeId` VARCHAR(96) NOT NULL, `label` TEXT NOT NULL, `author` VARCHAR(96) NOT NULL, `at` TEXT NOT NULL, `undoes` INTEGER, `redoes` INTEGER, `edits` TEXT NOT NULL, `inverse` TEXT NOT NULL, PRIMARY KEY (`studioId`, `revision`))',
      'CREATE UNIQUE INDEX IF NOT EXISTS `entries_by_change` ON `entries` (`studioId`, `changeId`)',
      'CREATE INDEX IF NOT EXISTS `entries_by_author` ON `entries` (`studioId`, `author`, `revision`)',
    ),
};

import type { Migration } from './migration';
import { run } from './migration';

/** Files beside the documents (photos, recordings, proofs), by what is in them, and who uses them. */
export const files: Migration = {
  name: '0006-files',
  up: (context) =>
    run(
      context,
      'CREATE TABLE `files` (`hash` VARCHAR(96) NOT NULL PRIMARY KEY, `bytes` INTEGER NOT NULL, `mediaType` TEXT NOT NULL, `storedAt` TEXT NOT NULL)',
      'CREATE TABLE `fileUses` (`studioId` VARCHAR(96) NOT NULL REFERENCES `studios` (`id`) ON DELETE CASCADE, `hash` VARCHAR(96) NOT NULL REFERENCES `files` (`hash`), `purpose` VARCHAR(96) NOT NULL, PRIMARY KEY (`studioId`, `hash`, `purpose`))',
      'CREATE INDEX file_uses_by_hash ON fileUses (hash)',
    ),
};

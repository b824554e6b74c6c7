import type { Migration } from './migration';
import { hasColumn, run } from './migration';

/** Paired devices (tablets, from 0004 on) and settings of the program. */
export const devices: Migration = {
  name: '0003-devices',
  async up(context) {
    await run(
      context,
      'CREATE TABLE IF NOT EXISTS `devices` (`id` VARCHAR(96) NOT NULL PRIMARY KEY, `name` TEXT NOT NULL, `role` TEXT NOT NULL, `pairedAt` TEXT NOT NULL, `seenAt` TEXT, `secretHash` TEXT NOT NULL)',
      'CREATE TABLE IF NOT EXISTS `settings` (`key` VARCHAR(96) NOT NULL PRIMARY KEY, `value` TEXT NOT NULL)',
    );
    if (!(await hasColumn(context, 'entries', 'device')))
      await run(context, 'ALTER TABLE entries ADD COLUMN device TEXT');
  },
};

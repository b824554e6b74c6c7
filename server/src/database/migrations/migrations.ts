import { studiosSessionsEntries } from './0001-studios-sessions-entries';
import { floor } from './0002-floor';
import { devices } from './0003-devices';
import { tablets } from './0004-tablets';
import { undoStackMarks } from './0005-undo-stacks';
import { files } from './0006-files';
import { openings } from './0007-openings';
import { logRows } from './0008-log-rows';
import type { Migration } from './migration';

/** Every change of the tables, in order. */
export const MIGRATIONS: readonly Migration[] = [
  studiosSessionsEntries,
  floor,
  devices,
  tablets,
  undoStackMarks,
  files,
  openings,
  logRows,
];

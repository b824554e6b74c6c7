import type { DiskTrouble } from './diskTrouble';

const SENTENCE: Record<DiskTrouble, string> = {
  'disk-full':
    'The disk is full, so this was not stored. Everything stored before is safe, and what you did is kept in the window. Free some space; it is tried again by itself.',
  'disk-read-only':
    'The data folder cannot be written to, so this was not stored. Everything stored before is safe, and what you did is kept in the window. Give this user the right to write there; it is tried again by itself.',
  'disk-damaged':
    'The data file is damaged, so this was not stored. What you did is kept in the window. Stop the program and start it again: it sets the damaged file aside and offers the newest backup.',
  'disk-failed':
    'The disk could not be read or written, so this was not stored. What you did is kept in the window and tried again by itself. Check that the disk is there and sound.',
  'disk-busy':
    'Another program holds the data file, so this was not stored. What you did is kept in the window and tried again by itself. Close what looks into the data folder.',
};

/** What the disk did, what was kept, and what to do. */
export const diskSentence = (trouble: DiskTrouble): string => SENTENCE[trouble];

import type { FilledList } from './listsOf';
import type { Problem } from './problem';

/** Lists that edits let grow beyond what a file may hold: they would be stored and never read again. */
export const boundProblems = (lists: readonly FilledList[]): readonly Problem[] =>
  lists
    .filter(({ row, items }) => items.length > row.most)
    .map(({ row, items, path }) => ({ code: 'too-many', path, found: items.length, most: row.most }));

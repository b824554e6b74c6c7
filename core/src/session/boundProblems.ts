import { listsBesideRig, listsOfRig } from './listsOf';
import type { Problem } from './problem';
import type { Studio } from './studioSchema';

/** Lists that edits let grow beyond what a file may hold: they would be stored and never read again. */
export const boundProblems = (studio: Studio): readonly Problem[] =>
  [...listsOfRig(studio), ...listsBesideRig(studio)]
    .filter(({ row, items }) => items.length > row.most)
    .map(({ row, items, path }) => ({ code: 'too-many', path, found: items.length, most: row.most }));

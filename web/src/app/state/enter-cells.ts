import type { Remote } from 'comlink';
import type { CellsEdits } from '@ft/core/actions/cellsEdits';
import type { SheetEntry, SheetRefusal, SheetWay } from '../ui/sheet/sheet-column';
import type { PlannerApi } from '../workers/planner-api';
import type { Changes } from './changes';

const WAYS: Readonly<Record<SheetWay, string>> = {
  typed: 'typed',
  pasted: 'pasted',
  filled: 'filled down',
  cleared: 'emptied',
};

/** What a change of many cells is called: "12 cells filled down". */
export const cellsLabel = (count: number, way: SheetWay): string =>
  `${count === 1 ? 'one cell' : `${String(count)} cells`} ${WAYS[way]}`;

/** Takes texts over into cells as one change. @returns those that do not fit, each with why. */
export async function enterCells<R>(
  changes: Changes,
  label: string,
  entries: readonly SheetEntry<R>[],
  ask: (api: Remote<PlannerApi>) => Promise<CellsEdits>,
): Promise<readonly SheetRefusal<R>[]> {
  const done = await changes.worked(label, ask);
  if (done === undefined) return entries.map((entry) => ({ entry, sentence: 'Nothing was changed.' }));
  changes.make(label, done.edits);
  return done.refused.flatMap(({ at, sentence }) => {
    const entry = entries[at];
    return entry === undefined ? [] : [{ entry, sentence }];
  });
}

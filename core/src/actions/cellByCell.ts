import type { CellReading } from '../text/cellReading';
import type { CellsEdits } from './cellsEdits';
import { SettingUp } from './settingUp';
import type { WorkPlace } from './workPlace';

/**
 * Takes texts over into cells, one after the other, as one change; what does not fit is told.
 * @param set takes one text over, and says or leaves out what does not go.
 */
export function cellByCell<Cell>(
  it: WorkPlace,
  cells: readonly Cell[],
  set: (up: SettingUp, cell: Cell) => CellReading<unknown>,
): CellsEdits {
  const up = new SettingUp(it);
  const refused: { at: number; sentence: string }[] = [];
  cells.forEach((cell, at) => {
    const told = up.refused.length;
    const said = set(up, cell);
    const why = said.ok ? up.refused[told]?.sentence : said.sentence;
    if (why !== undefined) refused.push({ at, sentence: why });
  });
  return { edits: up.edits, refused };
}

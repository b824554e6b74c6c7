import type { DeskPoint } from '../../../consoles/mixing/deskOfSum';
import type { CellReading } from '../../../text/cellReading';
import { refuse, value } from '../../../text/cellReading';
import { readSides } from '../../../typed/sum/sideTexts';
import { plannedCells } from '../../consoles/plannedCells';
import type { SettingUp } from '../../settingUp';
import { insertOn } from './insertOn';

/** The column of what hangs on the insert of a row. */
export const UNIT = 'unit';

/**
 * Takes a text over into a column of rows of a channel sheet that stand side by side: one text for all of them, or one
 * for each with a stroke between.
 * @param name what the rows are called together.
 */
export function enterColumn(
  up: SettingUp,
  name: string,
  points: readonly DeskPoint[],
  column: string,
  text: string,
): CellReading<null> {
  if (points.length === 0) return refuse(`${name} has no channel there. Place it first.`);
  if (column === UNIT) return insertOn(up, name, points, text);
  const sides = readSides(column, text, points.length);
  if (!sides.ok) return sides;
  let why: string | undefined;
  up.attempt(() => {
    for (const device of new Set(points.map(({ desk }) => desk.device.id))) {
      const entries = points.flatMap(({ desk, row }, i) =>
        desk.device.id === device ? [{ row: row.id, column, text: sides.value[i] ?? '' }] : [],
      );
      const plan = plannedCells({ ...up.it, device }, entries);
      why ??= plan.refused[0]?.sentence;
      up.make(plan.edits);
    }
    return why === undefined;
  });
  return why === undefined ? value(null) : refuse(why);
}

import { SumDesks } from '../../../consoles/mixing/deskOfSum';
import { parallelLines } from '../../../consoles/mixing/parallelLines';
import type { SumId } from '../../../rig/ids';
import type { CellReading } from '../../../text/cellReading';
import { refuse } from '../../../text/cellReading';
import { cellByCell } from '../../cellByCell';
import type { CellsEdits } from '../../cellsEdits';
import type { SettingUp } from '../../settingUp';
import type { WorkPlace } from '../../workPlace';
import { sumNamed } from '../sums/sharePlaces';
import { enterColumn, UNIT } from './enterColumn';
import { parallelUnits } from './parallelUnits';

/** A text for a cell of a bus of the console a sum is mixed on. */
export interface BusCell {
  readonly sum: SumId;
  /** The ids of its rows, left and right with a plus between. */
  readonly bus: string;
  /** What it is called. */
  readonly name: string;
  /** A column of the channel sheet, or the unit on its insert. */
  readonly column: string;
  readonly text: string;
}

function cell(up: SettingUp, { sum: id, bus, name, column, text }: BusCell): CellReading<null> {
  const sum = sumNamed(up, id);
  const desk = sum && new SumDesks(up.it.context, sum).console();
  const rows = bus.split('+').flatMap((row) => desk?.rows.find((each) => each.id === row) ?? []);
  if (desk === undefined || rows.length === 0) return refuse(`The console has no ${name} any more.`);
  const parallel = parallelLines(up.it.context, desk, [{ kind: 'send', name, rows, feeds: [] }])[0];
  if (column === UNIT && parallel !== undefined) return parallelUnits(up, desk, parallel, text);
  return enterColumn(
    up,
    name,
    rows.map((row) => ({ desk, row })),
    column,
    text,
  );
}

/** Takes texts over into cells of the buses of a console mix, as one change; what does not fit is told. */
export const busCells = (it: WorkPlace, cells: readonly BusCell[]): CellsEdits => cellByCell(it, cells, cell);

import type { DeskPoint } from '../../../consoles/mixing/deskOfSum';
import type { ChannelColumnView } from '../../consoles/cellEditor';
import { editorOf } from '../../consoles/cellEditor';

/** What is set on a channel while mixing: what it listens to, and its amplifier, lie behind. */
const LEFT_OUT = new Set([
  ...[
    'source',
    'pad',
    'phantom',
    'invert',
    'reference',
    'eq',
    'eqGain',
    'effect',
    'dynamics',
    'dynamicsGain',
  ],
]);

/** Whether the amplifier of a channel is out of the way: it listens to its line input. */
const isBypassed = ({ row }: DeskPoint, id: string): boolean => id === 'gain' && row.row.lineIn !== undefined;

/** Whether a column of a row is set while mixing. */
export const isMixed = (point: DeskPoint, id: string): boolean => !LEFT_OUT.has(id) && !isBypassed(point, id);

/** The columns of their channel sheets that some rows have and that are set while mixing, in the order of the sheet. */
export function deskColumns(points: readonly DeskPoint[]): readonly ChannelColumnView[] {
  const has = (id: string): boolean =>
    points.some((point) => point.row.cells[id] !== undefined && isMixed(point, id));
  const desks = [...new Set(points.map(({ desk }) => desk))];
  const columns = new Map<string, ChannelColumnView>();
  for (const desk of desks)
    for (const column of desk.columns)
      if (has(column.id) && !columns.has(column.id))
        columns.set(column.id, { ...column, editor: editorOf(desk, column) });
  return [...columns.values()];
}

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

/** The columns of their channel sheets that some rows have and that are set while mixing, in the order of the sheet. */
export function deskColumns(points: readonly DeskPoint[]): readonly ChannelColumnView[] {
  const has = (id: string): boolean =>
    points.some((point) => point.row.cells[id] !== undefined && !isBypassed(point, id));
  const desks = [...new Set(points.map(({ desk }) => desk))];
  const columns = new Map<string, ChannelColumnView>();
  for (const desk of desks)
    for (const column of desk.columns)
      if (!LEFT_OUT.has(column.id) && has(column.id) && !columns.has(column.id))
        columns.set(column.id, { ...column, editor: editorOf(desk, column) });
  return [...columns.values()];
}

import type { Desk } from '../../consoles/desk';
import type { Device } from '../../rig/rigSchema';
import type { ChannelCell, ChannelColumn } from '../../rig/sheets/channelSheet';

/** How a cell is edited. */
export type CellEditor = 'text' | 'figure' | 'choice' | 'switch';

export interface ChannelColumnView extends ChannelColumn {
  readonly editor: CellEditor;
}

function editorFor(desk: Desk, device: Device, cell: ChannelCell): CellEditor {
  if (cell.kind === 'patch' || cell.kind === 'insert') return 'choice';
  if (cell.kind !== 'knob') return 'text';
  const spec = desk.knobs(device).spec(cell.knob);
  if (typeof spec?.initial === 'boolean') return 'switch';
  return spec?.names === undefined ? 'figure' : 'choice';
}

/** A column is edited as the first of its cells is; where they differ, as text. */
export function editorOf(desk: Desk, { id }: ChannelColumn): CellEditor {
  const editors = new Set(
    desk.rows.flatMap(({ cells }) => {
      const placed = cells[id];
      return placed === undefined ? [] : [editorFor(desk, placed.device, placed.cell)];
    }),
  );
  const [only] = editors;
  return editors.size === 1 && only !== undefined ? only : 'text';
}

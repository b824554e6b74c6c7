import { inject, Injectable } from '@angular/core';
import type { WireCell } from '@ft/core/actions/rig/wireCells';
import type { WireLine } from '@ft/core/views/rig/rigView';
import { Changes } from '../../../state/changes';
import { cellsLabel, enterCells } from '../../../state/enter-cells';
import type {
  SheetChoice,
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from '../../../ui/sheet/sheet-column';
import { RigChanges } from '../rig-changes';

type Column = SheetColumn<WireLine>;
type Entry = SheetEntry<WireLine>;

/** The fixed wiring as a sheet: its ends are typed, or found by what is typed. */
export const WIRE_COLUMNS: readonly Column[] = [
  {
    ...{ id: 'from', title: 'From output', widthPx: 330, editor: 'choice', isRequired: true },
    text: ({ from }) => from,
  },
  { id: 'kind', title: 'Kind', widthPx: 80, text: ({ tieLine }) => (tieLine ? 'tie line' : 'wire') },
  {
    ...{ id: 'to', title: 'To input', widthPx: 330, editor: 'choice', isRequired: true },
    text: ({ to }) => to,
  },
];

/** Turns what a person does in the cells of the fixed wiring into changes. */
@Injectable()
export class WireEdits implements SheetEdits<WireLine> {
  private readonly all = inject(Changes);
  private readonly changes = inject(RigChanges);

  enter(entries: readonly Entry[], way: SheetWay): Promise<readonly SheetRefusal<WireLine>[]> {
    const cells = entries.map(({ row, column, text }): WireCell => ({
      ...{ wire: row.id, end: column.id as WireCell['end'], text },
    }));
    const [first] = entries;
    const label =
      first !== undefined && cells.length === 1
        ? `Rewire ${first.row.from} to ${first.row.to}`
        : `Fixed wiring: ${cellsLabel(cells.length, way)}`;
    return enterCells(this.all, label, entries, (api) => api.wireCells(cells));
  }

  async search(_: WireLine, { id }: Column, text: string): Promise<readonly SheetChoice[]> {
    const direction = id === 'from' ? 'out' : 'in';
    const ends = await this.all.worked('Find a connector', (api) => api.wireEnds(direction, text));
    return (ends ?? []).map(({ id: lane, name, wired }) => ({
      ...{ id: lane, name },
      ...(wired && { note: 'wired already' }),
    }));
  }

  choose(row: WireLine, column: Column, { name }: SheetChoice): void {
    void this.enter([{ row, column, text: name }], 'typed');
  }

  remove({ id, from, to }: WireLine): void {
    this.changes.removeWire(id, `${from} to ${to}`);
  }
}

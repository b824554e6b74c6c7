import { inject, Injectable, signal } from '@angular/core';
import type { BusCell } from '@ft/core/actions/mix/desk/busCells';
import type { SumId } from '@ft/core/rig/ids';
import type { BusRow } from '@ft/core/views/mix/desk/deskMixView';
import type { SumView } from '@ft/core/views/mix/summingView';
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
import { Planner } from '../../../workers/planner.service';

/** The column of the channel sheet behind a column of a sheet here. */
export const deskField = ({ id }: { readonly id: string }): string => id.replace('desk:', '');

/** Turns what a person does with the buses of a console mix into changes. */
@Injectable()
export class BusEdits implements SheetEdits<BusRow> {
  private readonly changes = inject(Changes);
  private readonly planner = inject(Planner);
  /** The sum that is on the screen. */
  readonly sum = signal<SumView | undefined>(undefined);

  async enter(
    entries: readonly SheetEntry<BusRow>[],
    way: SheetWay,
  ): Promise<readonly SheetRefusal<BusRow>[]> {
    const [sum, first] = [this.sum()?.id, entries[0]];
    if (sum === undefined || first === undefined) return [];
    const cells = entries.map((entry) => busCell(sum, entry));
    const label =
      cells.length === 1
        ? `${first.row.name}: ${first.column.title.toLowerCase()}`
        : `Buses: ${cellsLabel(cells.length, way)}`;
    return enterCells(this.changes, label, entries, (api) => api.busCells(cells));
  }

  async search({ id }: BusRow, column: SheetColumn<BusRow>, text: string): Promise<readonly SheetChoice[]> {
    const device = this.sum()?.desk?.device;
    const [row] = id.split('+');
    if (device === undefined || row === undefined) return [];
    return this.planner.api.cellChoices({ device, row, column: deskField(column) }, text);
  }

  choose(row: BusRow, column: SheetColumn<BusRow>, { name }: SheetChoice): void {
    void this.enter([{ row, column, text: name }], 'typed');
  }

  toggle(row: BusRow, column: SheetColumn<BusRow>): void {
    if (column.editor === 'switch' && column.isShut?.(row) !== true)
      void this.enter([{ row, column, text: column.text(row) === 'on' ? 'off' : 'on' }], 'typed');
  }
}

const busCell = (sum: SumId, { row, column, text }: SheetEntry<BusRow>): BusCell => ({
  ...{ sum, bus: row.id, name: row.name, column: deskField(column), text },
});

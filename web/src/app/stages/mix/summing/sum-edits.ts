import { inject, Injectable, signal } from '@angular/core';
import type { Remote } from 'comlink';
import type { ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import type { SumCell } from '@ft/core/actions/mix/sums/sumCells';
import type { SumDeed } from '@ft/core/actions/mix/sums/sumDeed';
import type { SumId } from '@ft/core/rig/ids';
import { SOUNDS } from '@ft/core/session/sumSchema';
import { nameMatches } from '@ft/core/text/nameMatch';
import type { StemRow } from '@ft/core/views/mix/stemRow';
import { cellsLabel, enterCells } from '../../../state/enter-cells';
import type {
  SheetChoice,
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from '../../../ui/sheet/sheet-column';
import type { PlannerApi } from '../../../workers/planner-api';
import { Planner } from '../../../workers/planner.service';
import { Deeds } from '../../deeds';
import { deskField } from './bus-edits';

/** Turns what a person does with a sum into changes. */
@Injectable()
export class SumEdits extends Deeds<SumDeed> implements SheetEdits<StemRow> {
  private readonly planner = inject(Planner);
  /** The sum that is on the screen. */
  readonly sum = signal<SumId | undefined>(undefined);

  async enter(
    entries: readonly SheetEntry<StemRow>[],
    way: SheetWay,
  ): Promise<readonly SheetRefusal<StemRow>[]> {
    const sum = this.sum();
    const [first] = entries;
    if (sum === undefined || first === undefined) return [];
    const cells = entries.map(({ row, column, text }): SumCell => ({
      ...{ sum, track: row.track, field: column.id as SumCell['field'], text },
    }));
    const label =
      cells.length === 1
        ? `${first.row.name}: ${first.column.title.toLowerCase()}`
        : `Stems: ${cellsLabel(cells.length, way)}`;
    return enterCells(this.changes, label, entries, (api) => api.sumCells(cells));
  }

  async search(
    { channel }: StemRow,
    column: SheetColumn<StemRow>,
    text: string,
  ): Promise<readonly SheetChoice[]> {
    if (column.id !== 'sound')
      return channel === undefined
        ? []
        : this.planner.api.cellChoices({ ...channel, column: deskField(column) }, text);
    const names = SOUNDS.filter((name) => nameMatches(name, text));
    return names.map((name) => ({ id: name, name }));
  }

  choose(row: StemRow, column: SheetColumn<StemRow>, { name }: SheetChoice): void {
    void this.enter([{ row, column, text: name }], 'typed');
  }

  toggle(row: StemRow, column: SheetColumn<StemRow>): void {
    if (column.editor === 'switch' && column.isShut?.(row) !== true)
      void this.enter([{ row, column, text: column.text(row) === 'on' ? 'off' : 'on' }], 'typed');
  }

  remove(row: StemRow): void {
    const sum = this.sum();
    if (sum !== undefined)
      void this.make(`${row.name} out of the sum`, { does: 'remove-stem', sum, track: row.track });
  }

  plan(api: Remote<PlannerApi>, deed: SumDeed): Promise<ChannelPlan> {
    return api.sumDeed(deed);
  }
}

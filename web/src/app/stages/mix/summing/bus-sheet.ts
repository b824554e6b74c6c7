import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import type { BusRow } from '@ft/core/views/mix/desk/deskMixView';
import type { SumView } from '@ft/core/views/mix/summingView';
import { Sheet } from '../../../ui/sheet/sheet';
import { busColumns } from './bus-columns';
import { BusEdits } from './bus-edits';

/** The buses of the console a sum is mixed on: groups, a parallel bus and its returns, the mix, VCAs. */
@Component({
  selector: 'ft-bus-sheet',
  imports: [Sheet],
  providers: [BusEdits],
  template: `
    @if (sum().desk; as desk) {
      <h2>Buses of {{ desk.name }}</h2>
      <ft-sheet
        name="Buses of {{ desk.name }}"
        [rows]="desk.buses"
        [columns]="columns()"
        [edits]="edits"
        [rowId]="rowId"
      />
    }
  `,
  styleUrl: './bus-sheet.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BusSheet {
  readonly sum = input.required<SumView>();
  protected readonly edits = inject(BusEdits);
  protected readonly columns = computed(() => {
    const { desk } = this.sum();
    return desk === undefined ? [] : busColumns(desk);
  });
  protected readonly rowId = ({ id }: BusRow): string => `bus:${id}`;

  constructor() {
    effect(() => {
      this.edits.sum.set(this.sum());
    });
  }
}

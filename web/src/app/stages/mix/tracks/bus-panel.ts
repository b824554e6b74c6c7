import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { busCell } from '@ft/core/actions/mix/busCell';
import type { Bus } from '@ft/core/session/daw/trackSchema';
import { busSchema } from '@ft/core/session/daw/trackSchema';
import { studioFeature } from '../../../state/studio.feature';
import type { FormField } from '../../../ui/form/form-field';
import { LineForm } from '../../../ui/form/line-form';
import { SchemaForm } from '../../../ui/form/schema-form';
import type { TakingColumn } from '../../../ui/sheet/cell-takers';
import { CellTakers } from '../../../ui/sheet/cell-takers';
import { Reached } from '../../../ui/sheet/reached';
import { Sheet } from '../../../ui/sheet/sheet';
import { SidePanel } from '../../../ui/side-panel';
import { DawChanges } from './daw-changes';

const WIDTHS: Readonly<Record<number, string>> = { 1: 'mono', 2: 'stereo', 6: '5.1' };

const FIELDS: readonly FormField[] = [
  { key: 'name', label: 'Another bus', kind: 'text', widthRem: 10 },
  {
    ...{ key: 'width', label: 'Width', kind: 'choice' },
    choices: Object.entries(WIDTHS).map(([value, name]) => ({ value: Number(value), name })),
  },
];

/** The buses of the session: renamed, removed with all that names them, and added. */
@Component({
  selector: 'ft-bus-panel',
  imports: [LineForm, Sheet, SidePanel],
  template: `
    <ft-side-panel title="Buses" (closed)="closed.emit()">
      @if (buses().length === 0) {
        <p class="quiet">None yet. A bus gathers what tracks send to it: a group, an effect, a key.</p>
      } @else {
        <ft-sheet
          name="Buses"
          [rows]="buses()"
          [columns]="columns"
          [edits]="edits"
          [rowId]="rowId"
          (reached)="reached.come($event)"
        />
      }
      @if (reached.row(); as bus) {
        <button type="button" title="Ctrl Delete in the sheet" (click)="changes.removeBus(bus)">
          Remove {{ bus.name }}
        </button>
      }
      <ft-line-form action="Add it" [form]="form" [isMain]="true" (entered)="changes.addBus($event)" />
    </ft-side-panel>
  `,
  styles: `
    ft-line-form {
      margin-top: 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BusPanel {
  readonly closed = output();
  protected readonly changes = inject(DawChanges);
  private readonly found = inject(Store).selectSignal(studioFeature.selectFound);
  protected readonly buses = computed(() => this.found()?.session.buses ?? []);
  protected readonly rowId = ({ id }: Bus): string => `bus:${id}`;
  protected readonly reached = new Reached(this.buses, this.rowId);
  protected readonly form = new SchemaForm(FIELDS, busSchema.pick({ name: true, width: true }), { width: 2 });
  protected readonly columns: readonly TakingColumn<Bus>[] = [
    {
      ...{ id: 'name', title: 'Bus', widthPx: 200, editor: 'text', isRequired: true },
      text: ({ name }) => name,
      take: (bus, text) => busCell(this.found()?.session, bus, text),
    },
    {
      ...{ id: 'width', title: 'Width', widthPx: 90 },
      text: ({ width }) => WIDTHS[width] ?? String(width),
    },
  ];
  protected readonly edits = new CellTakers<Bus>(
    () => this.columns,
    { one: ({ name }) => `Bus ${name}`, many: 'Buses' },
    { remove: (bus) => void this.changes.removeBus(bus) },
  );
}

import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { Store } from '@ngrx/store';
import type * as z from 'zod';
import { missingCords } from '@ft/core/actions/rig/usualHook';
import type { CordStock } from '@ft/core/rig/rigSchema';
import { PartPage } from '../../../shell/part';
import { studioFeature } from '../../../state/studio.feature';
import { LineForm } from '../../../ui/form/line-form';
import { SchemaForm } from '../../../ui/form/schema-form';
import { CellTakers } from '../../../ui/sheet/cell-takers';
import { ColumnMenu } from '../../../ui/sheet/column-menu';
import { Reached } from '../../../ui/sheet/reached';
import { Sheet } from '../../../ui/sheet/sheet';
import { LossQuestion } from '../loss-question';
import { RigChanges } from '../rig-changes';
import { AdaptorList } from './adaptor-list';
import { STOCK_COLUMNS, STOCK_FIELDS, stockEntrySchema } from './cord-stock';

/** The cords on the hook. */
@Component({
  selector: 'ft-cords-page',
  imports: [AdaptorList, ColumnMenu, LineForm, LossQuestion, PartPage, Sheet],
  template: `
    <ft-part of="rig/cords">
      <ng-container ngProjectAs="[tools]">
        @if (reached.row(); as stock) {
          <button type="button" title="Ctrl Delete in the sheet" (click)="edits.remove?.(stock)">
            Remove {{ stock.name }}
          </button>
        }
        @if (missing().length > 0) {
          <button
            type="button"
            [class.main]="cords().length === 0"
            [title]="offered()"
            (click)="changes.hangUsualCords()"
          >
            Hang up the usual cords
          </button>
        }
        @if (sheet(); as it) {
          <ft-column-menu [layout]="it.layout" />
        }
      </ng-container>
      <ft-loss-question />
      @if (cords().length === 0) {
        <p class="empty">
          No cords on the hook yet. The router plugs only cords you own: enter each kind with its two
          connectors, length and number; or hang up what a room with these jacks usually has.
        </p>
        @if (missing().length > 0) {
          <p class="offered quiet">{{ offered() }}</p>
        }
      } @else {
        <ft-sheet
          name="Cords"
          [rows]="cords()"
          [columns]="columns"
          [edits]="edits"
          [rowId]="rowId"
          (reached)="reached.come($event)"
        />
      }
      <ft-line-form [form]="form" action="Add cords" (entered)="add($event)" />
      <ft-adaptor-list />
    </ft-part>
  `,
  styles: `
    ft-line-form,
    .offered {
      padding: 0.5rem 0.75rem;
    }
    .offered {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CordsPage {
  private readonly studio = inject(Store).selectSignal(studioFeature.selectStudio);
  protected readonly changes = inject(RigChanges);
  protected readonly sheet = viewChild<Sheet<CordStock>>(Sheet);
  protected readonly cords = computed(() => this.studio()?.rig.cords ?? []);
  /** What a room with these jacks usually has on its hook, and this one does not. */
  protected readonly missing = computed(() => {
    const rig = this.studio()?.rig;
    return rig === undefined ? [] : missingCords(rig);
  });
  protected readonly offered = computed(
    () =>
      `Usual for the jacks here: ${this.missing()
        .map(({ name, lengthM, count }) => `${String(count)} × ${name} ${String(lengthM)} m`)
        .join(', ')}.`,
  );
  protected readonly rowId = ({ id }: CordStock): string => `stock:${id}`;
  protected readonly reached = new Reached(this.cords, this.rowId);
  protected readonly columns = STOCK_COLUMNS;
  protected readonly edits = new CellTakers<CordStock>(
    () => STOCK_COLUMNS,
    { one: ({ name }) => name, many: 'Cords' },
    { remove: (stock) => void this.changes.removeStock(stock) },
  );
  protected readonly form = new SchemaForm(STOCK_FIELDS, stockEntrySchema, { a: 'tt', b: 'tt' });

  protected add({ name, a, b, lengthM, colour = '', count }: z.output<typeof stockEntrySchema>): void {
    this.changes.addStock({ name, connectors: [a, b], lengthM, colour, count });
  }
}

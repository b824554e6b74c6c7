import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import * as z from 'zod';
import { adaptorCell } from '@ft/core/actions/rig/hookCell';
import { CONNECTORS } from '@ft/core/rig/connector';
import type { Adaptor } from '@ft/core/rig/rigSchema';
import { adaptorSchema } from '@ft/core/rig/rigSchema';
import { studioFeature } from '../../../state/studio.feature';
import type { FormField } from '../../../ui/form/form-field';
import { LineForm } from '../../../ui/form/line-form';
import { SchemaForm } from '../../../ui/form/schema-form';
import type { TakingColumn } from '../../../ui/sheet/cell-takers';
import { CellTakers } from '../../../ui/sheet/cell-takers';
import { Reached } from '../../../ui/sheet/reached';
import { Sheet } from '../../../ui/sheet/sheet';
import { RigChanges } from '../rig-changes';
import { plugField } from './plug-field';

const COLUMNS: readonly TakingColumn<Adaptor>[] = [
  {
    ...{ id: 'name', title: 'Adaptor', widthPx: 220, editor: 'text', isRequired: true },
    text: ({ name }) => name,
    take: (adaptor, text) => adaptorCell(adaptor, 'name', text),
  },
  {
    ...{ id: 'plugs', title: 'From – to', widthPx: 150 },
    text: ({ connectors: [a, b] }) => `${a} – ${b}`,
  },
  {
    ...{ id: 'count', title: 'Number', widthPx: 80, editor: 'figure', isFigure: true, isRequired: true },
    text: ({ count }) => String(count),
    take: (adaptor, text) => adaptorCell(adaptor, 'count', text),
  },
];

const FIELDS: readonly FormField[] = [
  { key: 'name', label: 'Name of the adaptor', kind: 'text', widthRem: 12 },
  plugField('a', 'The plug it goes onto'),
  plugField('b', 'The plug it makes of it'),
  { key: 'count', label: 'Number of adaptors', kind: 'figure', widthRem: 5 },
];
const { name, count } = adaptorSchema.shape;
const entrySchema = z.object({ name, count, a: z.enum(CONNECTORS), b: z.enum(CONNECTORS) });

/** The adaptors of the studio: what makes one plug of a cord another. */
@Component({
  selector: 'ft-adaptor-list',
  imports: [LineForm, Sheet],
  template: `
    <h2>Adaptors</h2>
    @if (adaptors().length === 0) {
      <p class="quiet">None yet. With adaptors the router can join jacks no cord of yours fits.</p>
    } @else {
      <ft-sheet
        name="Adaptors"
        [rows]="adaptors()"
        [columns]="columns"
        [edits]="edits"
        [rowId]="rowId"
        (reached)="reached.come($event)"
      />
    }
    @if (reached.row(); as adaptor) {
      <button type="button" title="Ctrl Delete in the sheet" (click)="edits.remove?.(adaptor)">
        Remove {{ adaptor.name }}
      </button>
    }
    <ft-line-form [form]="form" action="Add adaptors" (entered)="add($event)" />
  `,
  styles: `
    h2,
    p,
    button,
    ft-line-form {
      margin: 0.4rem 0.75rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AdaptorList {
  private readonly studio = inject(Store).selectSignal(studioFeature.selectStudio);
  private readonly changes = inject(RigChanges);
  protected readonly adaptors = computed(() => this.studio()?.rig.adaptors ?? []);
  protected readonly rowId = ({ id }: Adaptor): string => `adaptor:${id}`;
  protected readonly reached = new Reached(this.adaptors, this.rowId);
  protected readonly columns = COLUMNS;
  protected readonly edits = new CellTakers<Adaptor>(
    () => COLUMNS,
    { one: (adaptor) => adaptor.name, many: 'Adaptors' },
    {
      remove: (adaptor) => {
        this.changes.removeAdaptor(adaptor);
      },
    },
  );
  protected readonly form = new SchemaForm(FIELDS, entrySchema, { a: 'tt', b: 'xlr' });

  protected add({ a, b, ...adaptor }: z.output<typeof entrySchema>): void {
    this.changes.addAdaptor({ ...adaptor, connectors: [a, b] });
  }
}

import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { TRACK_KINDS } from '@ft/core/session/daw/trackSchema';
import { trackTemplateSchema } from '@ft/core/session/daw/trackTemplate';
import type { FormField } from '../../../ui/form/form-field';
import { LineForm } from '../../../ui/form/line-form';
import { SchemaForm } from '../../../ui/form/schema-form';
import { DawChanges } from './daw-changes';

const FIELDS: readonly FormField[] = [
  { key: 'count', label: 'How many tracks', kind: 'figure', widthRem: 3 },
  {
    ...{ key: 'kind', label: 'Kind', kind: 'choice' },
    choices: TRACK_KINDS.map((value) => ({ value, name: value })),
  },
  {
    ...{ key: 'width', label: 'Width', kind: 'choice' },
    choices: [
      { value: 1, name: 'mono' },
      { value: 2, name: 'stereo' },
    ],
  },
  { key: 'name', label: 'Name of the tracks', kind: 'text', typical: '# is the number', widthRem: 10 },
  { key: 'firstInput', label: 'Inputs from', kind: 'figure', typical: 'none', widthRem: 4 },
  { key: 'firstOutput', label: 'Outputs from', kind: 'figure', typical: 'none', widthRem: 4 },
  { key: 'outputsAscend', label: 'each its own', kind: 'switch' },
];
const START = { count: 1, kind: 'audio', width: 1, outputsAscend: true };

/** Makes several tracks at once, with host inputs and outputs counting on. */
@Component({
  selector: 'ft-template-form',
  imports: [LineForm],
  template: `<ft-line-form
    action="Add tracks"
    [form]="form"
    [isMain]="true"
    [anew]="{ name: '' }"
    (entered)="changes.template($event)"
  />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TemplateForm {
  protected readonly changes = inject(DawChanges);
  protected readonly form = new SchemaForm(FIELDS, trackTemplateSchema, START);
}

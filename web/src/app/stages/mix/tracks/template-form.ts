import { ChangeDetectionStrategy, Component, ElementRef, inject } from '@angular/core';
import { TRACK_KINDS } from '@ft/core/session/daw/trackSchema';
import { trackTemplateSchema } from '@ft/core/session/daw/trackTemplate';
import { Field } from '../../../ui/form/field';
import { focusField } from '../../../ui/form/focus-field';
import type { FormField } from '../../../ui/form/form-field';
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
  imports: [Field],
  template: `
    <form (submit)="make(); $event.preventDefault()">
      @for (field of form.fields; track field.key) {
        <ft-field [form]="form" [key]="field.key" />
      }
      <button type="submit" class="main">Add tracks</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: start;
      gap: 0.2rem 0.6rem;
    }
    button,
    ft-field:has([type='checkbox']) {
      margin-top: 1.15rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TemplateForm {
  private readonly changes = inject(DawChanges);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly form = new SchemaForm(FIELDS, trackTemplateSchema, START);

  protected make(): void {
    const template = this.form.read();
    if (template === undefined) focusField(this.element.nativeElement, this.form.firstProblem());
    else {
      void this.changes.template(template);
      this.form.restart({ name: '' });
    }
  }
}

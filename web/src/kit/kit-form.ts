import { ChangeDetectionStrategy, Component, ElementRef, inject, signal } from '@angular/core';
import * as z from 'zod';
import { Field } from '../app/ui/form/field';
import { focusField } from '../app/ui/form/focus-field';
import type { FormField } from '../app/ui/form/form-field';
import { SchemaForm } from '../app/ui/form/schema-form';

const SHELVES = ['left rack', 'right rack', 'cart'];

const FIELDS: readonly FormField[] = [
  { key: 'name', label: 'Name', kind: 'text', typical: 'needed' },
  { key: 'shelf', label: 'Shelf', kind: 'text', offers: () => SHELVES.map((name) => ({ name })) },
  { key: 'gainDb', label: 'Gain', unit: 'dB', kind: 'figure', typical: 'typical 0' },
  { key: 'steps', label: 'Steps', unit: 'dB', kind: 'figures', typical: '0 3 6' },
  {
    ...{ key: 'plug', label: 'Plug', kind: 'choice' },
    choices: ['xlr', 'tt'].map((value) => ({ value, name: value })),
  },
  { key: 'balanced', label: 'balanced', kind: 'switch' },
];

const schema = z.object({
  name: z.string().max(20, 'at most 20 characters'),
  shelf: z.enum(SHELVES).optional(),
  gainDb: z.number().min(-20, 'from −20 to +20 dB').max(20, 'from −20 to +20 dB').optional(),
  steps: z.array(z.number()).optional(),
  plug: z.string(),
  balanced: z.boolean(),
});

/** A form with a field of every kind. */
@Component({
  selector: 'ft-kit-form',
  imports: [Field],
  template: `
    <form (submit)="enter(); $event.preventDefault()">
      @for (field of form.fields; track field.key) {
        <ft-field [form]="form" [key]="field.key" />
      }
      <button type="submit" class="main">Enter</button>
      <output>{{ entered() }}</output>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 0.9rem;
    }
    button {
      align-self: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KitForm {
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly form = new SchemaForm(FIELDS, schema, { plug: 'xlr', balanced: true });
  protected readonly entered = signal('');

  protected enter(): void {
    const values = this.form.read();
    this.entered.set(values === undefined ? '' : JSON.stringify(values));
    if (values === undefined) focusField(this.element.nativeElement, this.form.firstProblem());
  }
}

import { ChangeDetectionStrategy, Component, ElementRef, inject, input, output } from '@angular/core';
import type * as z from 'zod';
import { CONNECTORS } from '@ft/core/rig/connector';
import { Field } from '../../../ui/form/field';
import { focusField } from '../../../ui/form/focus-field';
import type { FormField } from '../../../ui/form/form-field';
import type { SchemaForm } from '../../../ui/form/schema-form';

/** What a cord can end in. */
const PLUGS = CONNECTORS.filter((connector) => connector !== 'fixed' && connector !== 'host');

/** A choice of a plug. */
export const plugField = (key: string, label: string): FormField => ({
  ...{ key, label, kind: 'choice' },
  choices: PLUGS.map((value) => ({ value, name: value })),
});

/** One line that adds cords or adaptors of a kind. */
@Component({
  selector: 'ft-hook-form',
  imports: [Field],
  template: `
    <form (submit)="enter(); $event.preventDefault()" [attr.aria-label]="action()">
      @for (field of form().fields; track field.key) {
        <ft-field [form]="form()" [key]="field.key" />
      }
      <button type="submit">{{ action() }}</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: start;
      gap: 0.3rem 0.8rem;
      padding: 0.5rem 0.75rem;
    }
    button {
      margin-top: 1.15rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HookForm<S extends z.ZodType> {
  readonly form = input.required<SchemaForm<S>>();
  readonly action = input.required<string>();
  readonly entered = output<z.output<S>>();
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);

  protected enter(): void {
    const values = this.form().read();
    if (values === undefined) focusField(this.element.nativeElement, this.form().firstProblem());
    else {
      this.entered.emit(values);
      this.form().restart({ name: '', count: undefined });
    }
  }
}

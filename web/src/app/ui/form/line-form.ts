import { ChangeDetectionStrategy, Component, ElementRef, inject, input, output } from '@angular/core';
import type * as z from 'zod';
import { Field } from './field';
import { focusField } from './focus-field';
import type { SchemaForm } from './schema-form';

/** A form on one line: its fields, and the button that does it. */
@Component({
  selector: 'ft-line-form',
  imports: [Field],
  template: `
    <form (submit)="enter(); $event.preventDefault()" [attr.aria-label]="action()">
      @for (field of form().fields; track field.key) {
        <ft-field [form]="form()" [key]="field.key" />
      }
      <button type="submit" [class.main]="isMain()">{{ action() }}</button>
    </form>
  `,
  styles: `
    :host {
      display: block;
    }
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: start;
      gap: 0.2rem 0.7rem;
    }
    /* What has no label above it stands where the fields do. */
    button,
    ft-field:has([type='checkbox']) {
      margin-top: 1.15rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LineForm<S extends z.ZodType> {
  readonly form = input.required<SchemaForm<S>>();
  readonly action = input.required<string>();
  readonly isMain = input(false);
  /** What the form begins anew with once it is entered; fields left out keep what they hold. */
  readonly anew = input<Readonly<Record<string, unknown>>>({ name: '', count: undefined });
  readonly entered = output<z.output<S>>();
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);

  protected enter(): void {
    const values = this.form().read();
    if (values === undefined) focusField(this.element.nativeElement, this.form().firstProblem());
    else {
      this.entered.emit(values);
      this.form().restart(this.anew());
    }
  }
}

import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { controlId } from './live-control';

/** A file of this computer, chosen once: the same can be chosen again. */
@Component({
  selector: 'ft-file-pick',
  template: `
    <input #field type="file" class="visually-hidden" [id]="id" [accept]="accept()" (change)="pick(field)" />
    <label class="press" [for]="id">{{ label() }}</label>
  `,
  styles: `
    :host {
      position: relative;
    }
    input:focus-visible + label {
      outline: 2px solid var(--ft-focus);
      outline-offset: 1px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FilePick {
  readonly label = input.required<string>();
  readonly accept = input.required<string>();
  readonly picked = output<File>();
  protected readonly id = controlId();

  protected pick(field: HTMLInputElement): void {
    const file = field.files?.[0];
    field.value = '';
    if (file !== undefined) this.picked.emit(file);
  }
}

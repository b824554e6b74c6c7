import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import type { FormControl } from '@angular/forms';

/** Something that is added by typing it in one line; what it means so far stands beside what is typed. */
@Component({
  selector: 'ft-typed-line',
  imports: [ReactiveFormsModule],
  template: `
    <form (submit)="$event.preventDefault(); entered.emit()">
      <label [for]="key()">{{ label() }}</label>
      <input
        [id]="key()"
        type="text"
        autocomplete="off"
        [placeholder]="typical()"
        [formControl]="control()"
        (keydown.escape)="cleared.emit()"
        [attr.aria-describedby]="key() + '-meaning'"
      />
      <button type="submit">Add</button>
      <span [id]="key() + '-meaning'" class="meaning" aria-live="polite"><ng-content /></span>
    </form>
  `,
  styles: `
    form {
      display: flex;
      align-items: center;
      flex-wrap: wrap;
      gap: 0.4rem 0.5rem;
      padding: 0.5rem 0.75rem;
    }
    input {
      width: 26rem;
      max-width: 100%;
    }
    .meaning {
      display: flex;
      flex-wrap: wrap;
      gap: 0.25rem 0.9rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TypedLine {
  /** Its id on the page. */
  readonly key = input.required<string>();
  readonly label = input.required<string>();
  readonly typical = input('');
  readonly control = input.required<FormControl<string | null>>();
  readonly entered = output();
  readonly cleared = output();
}

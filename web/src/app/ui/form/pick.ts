import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { controlId, liveControl } from './live-control';

/** One of a few, which counts as soon as it is chosen. */
@Component({
  selector: 'ft-pick',
  imports: [ReactiveFormsModule],
  template: `
    <label [for]="id" [class.visually-hidden]="isLabelHidden()">{{ label() }}</label>
    <select [id]="id" [formControl]="control" [class.num]="isFigure()">
      @for (choice of choices(); track choice.value) {
        <option [ngValue]="choice.value">{{ choice.name }}</option>
      }
    </select>
  `,
  styleUrl: './beside.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Pick<T> {
  readonly label = input.required<string>();
  /** Where what stands around it says already what it is; it is read out all the same. */
  readonly isLabelHidden = input(false);
  readonly isFigure = input(false);
  readonly choices = input.required<readonly { readonly value: T; readonly name: string }[]>();
  readonly value = input.required<T>();
  readonly picked = output<T>();
  protected readonly id = controlId();
  protected readonly control = liveControl(this.value, (value) => {
    this.picked.emit(value);
  });
}

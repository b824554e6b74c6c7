import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { controlId, liveControl } from './live-control';

/** A switch beside its words, which counts as soon as it is thrown. */
@Component({
  selector: 'ft-tick',
  imports: [ReactiveFormsModule],
  template: `
    <input type="checkbox" [id]="id" [formControl]="control" />
    <label [for]="id" [class.visually-hidden]="isLabelHidden()">{{ label() }}</label>
  `,
  styleUrl: './beside.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Tick {
  readonly label = input.required<string>();
  readonly isLabelHidden = input(false);
  readonly isOn = input.required<boolean>();
  readonly ticked = output<boolean>();
  protected readonly id = controlId();
  protected readonly control = liveControl(this.isOn, (isOn) => {
    this.ticked.emit(isOn);
  });
}

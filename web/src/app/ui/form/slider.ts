import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { controlId, liveControl } from './live-control';

/** A figure that is drawn up and down, and tells where it stands all the way. */
@Component({
  selector: 'ft-slider',
  imports: [ReactiveFormsModule],
  template: `
    <label [for]="id">{{ label() }}</label>
    <input type="range" [id]="id" [min]="min()" [max]="max()" [step]="step()" [formControl]="control" />
  `,
  styleUrl: './beside.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Slider {
  readonly label = input.required<string>();
  readonly min = input.required<number>();
  readonly max = input.required<number>();
  readonly step = input(0.5);
  readonly value = input.required<number>();
  readonly slid = output<number>();
  protected readonly id = controlId();
  protected readonly control = liveControl(this.value, (value) => {
    this.slid.emit(value);
  });
}

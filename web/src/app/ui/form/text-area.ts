import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { controlId, liveControl } from './live-control';

/** A text of several lines, told with every letter. */
@Component({
  selector: 'ft-text-area',
  imports: [ReactiveFormsModule],
  template: `
    <label [for]="id">{{ label() }}</label>
    <textarea
      spellcheck="false"
      [id]="id"
      [rows]="rows()"
      [maxlength]="most()"
      [class.num]="isFigure()"
      [formControl]="control"
    ></textarea>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.2rem;
    }
    textarea {
      width: 100%;
      white-space: pre-wrap;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TextArea {
  readonly label = input.required<string>();
  readonly rows = input(3);
  readonly most = input(1_000_000);
  readonly isFigure = input(false);
  readonly text = model.required<string>();
  protected readonly id = controlId();
  protected readonly control = liveControl(this.text, (text) => {
    this.text.set(text);
  });
}

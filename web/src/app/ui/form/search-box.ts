import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { liveControl } from './live-control';

/** Narrows what stands below it while it is typed into. */
@Component({
  selector: 'ft-search-box',
  imports: [ReactiveFormsModule],
  template: `<input
    type="search"
    [placeholder]="label()"
    [attr.aria-label]="label()"
    [formControl]="control"
  />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SearchBox {
  readonly label = input.required<string>();
  readonly text = model.required<string>();
  protected readonly control = liveControl(this.text, (text) => {
    this.text.set(text);
  });
}

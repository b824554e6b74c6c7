import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';

/** The parts of a page, one pressed at a time. */
@Component({
  selector: 'ft-tab-bar',
  template: `
    <div class="tabs" role="group" [attr.aria-label]="label()">
      @for (part of parts(); track part.tab) {
        <button type="button" [attr.aria-pressed]="tab() === part.tab" (click)="tab.set(part.tab)">
          {{ part.name }}
        </button>
      }
    </div>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TabBar<T extends string> {
  readonly label = input.required<string>();
  readonly parts = input.required<readonly { readonly tab: T; readonly name: string }[]>();
  readonly tab = model.required<T>();
}

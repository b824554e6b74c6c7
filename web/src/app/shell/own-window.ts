import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { PartAddress } from './stages';
import { ThisWindow } from './this-window';

/** Opens the part in a window of its own, for a second screen. */
@Component({
  selector: 'ft-own-window',
  template: `
    @if (!window.isAlone()) {
      <button
        type="button"
        class="bare"
        title="Open in a window of its own; what is selected in one is selected in the other"
        (click)="window.openAlone(of())"
      >
        <i class="bi bi-window-plus" role="img" aria-label="Open in a window of its own"></i>
      </button>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OwnWindow {
  readonly of = input.required<PartAddress>();
  protected readonly window = inject(ThisWindow);
}

import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { NgbPopoverModule } from '@ng-bootstrap/ng-bootstrap/popover';

/** A question mark beside what wants explaining: pressed, it explains. */
@Component({
  selector: 'ft-hint',
  imports: [NgbPopoverModule],
  template: `
    <button
      type="button"
      class="bare"
      [attr.aria-label]="'About ' + about()"
      [ngbPopover]="text()"
      autoClose="outside"
      container="body"
    >
      <span aria-hidden="true">?</span>
    </button>
  `,
  styles: `
    button {
      min-width: 24px;
      min-height: 24px;
      justify-content: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Hint {
  readonly about = input.required<string>();
  readonly text = input.required<string>();
}

import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** Whether a switch of a sheet is on; the sheet throws it where the mark is pressed. */
@Component({
  selector: 'ft-switch-mark',
  template: `<span data-switch [class.on]="isOn()">{{ isOn() ? '✓' : '–' }}</span
    ><span class="visually-hidden">{{ isOn() ? 'on' : 'off' }}</span>`,
  styles: `
    [data-switch] {
      display: inline-block;
      min-width: 1.6rem;
      text-align: center;
      /* Seen on a selected line as well. */
      border: 1px solid color-mix(in srgb, var(--ft-ink) 28%, transparent);
      border-radius: 3px;
      line-height: 1.25rem;
      cursor: pointer;
    }
    .on {
      border-color: var(--ft-thread);
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SwitchMark {
  readonly isOn = input.required<boolean>();
}

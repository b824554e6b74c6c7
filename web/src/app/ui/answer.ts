import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Asked } from '../state/answered';

/** Says that an answer is under way, or that it failed and can be asked for again; nothing once it is here. */
@Component({
  selector: 'ft-answer',
  template: `
    @if (of().failure(); as failure) {
      <p role="alert">
        <span class="error" aria-hidden="true">▲</span>
        <span
          >Could not work out {{ what() }}: {{ failure
          }}{{ of()() === undefined ? '' : ' What you see is from before.' }}</span
        >
        <button type="button" (click)="of().again()">Again</button>
      </p>
    } @else if (of().waits() && of()() === undefined) {
      <p role="status" class="quiet">Working out {{ what() }} …</p>
    }
  `,
  styles: `
    p {
      display: flex;
      align-items: center;
      gap: 0.6rem;
      margin: 0;
      padding: 0.6rem 0.75rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AnswerState {
  readonly of = input.required<Asked<unknown>>();
  /** What is asked for, as it follows "work out": "the sums". */
  readonly what = input.required<string>();
}

import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { CueDeed } from '@ft/core/actions/cues/cueDeed';
import { askedAbout } from '../../state/asked';
import { AnswerState } from '../../ui/answer';
import { PlanPreview } from '../plan-preview';
import { CueEdits } from './cue-edits';

/** What a deed comes to, and the button that does it. */
@Component({
  selector: 'ft-deed-preview',
  imports: [AnswerState, PlanPreview],
  template: `
    <ft-answer [of]="plan" what="what it comes to" />
    @if (plan(); as it) {
      <ft-plan-preview [plan]="it" [action]="action()" (done)="make()" />
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeedPreview {
  readonly deed = input.required<CueDeed>();
  /** What the button says, and what the history calls it. */
  readonly action = input.required<string>();
  readonly label = input.required<string>();
  readonly done = output();
  private readonly edits = inject(CueEdits);
  protected readonly plan = askedAbout(this.deed, (api, deed) => api.cueDeed(deed));

  protected async make(): Promise<void> {
    const made = await this.edits.make(this.label(), this.deed());
    if (made !== undefined) this.done.emit();
  }
}

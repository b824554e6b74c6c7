import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { askedAbout } from '../state/asked';
import { AnswerState } from '../ui/answer';
import { PlanPreview } from './plan-preview';
import type { Deed } from './deeds';
import { Deeds } from './deeds';

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
  readonly deed = input.required<Deed>();
  /** What the button says, and what the history calls it. */
  readonly action = input.required<string>();
  readonly label = input.required<string>();
  readonly done = output();
  private readonly deeds = inject(Deeds);
  protected readonly plan = askedAbout(this.deed, (api, deed) => this.deeds.plan(api, deed));

  protected async make(): Promise<void> {
    const made = await this.deeds.make(this.label(), this.deed());
    if (made !== undefined && made.edits.length > 0) this.done.emit();
  }
}

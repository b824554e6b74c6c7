import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { PlaybackDeed } from '@ft/core/actions/playback/playbackDeed';
import { askedAbout } from '../../state/asked';
import { AnswerState } from '../../ui/answer';
import { PlanPreview } from '../plan-preview';
import { PlaybackEdits } from './playback-edits';

/** What a deed comes to, and the button that does it. */
@Component({
  selector: 'ft-playback-preview',
  imports: [AnswerState, PlanPreview],
  template: `
    <ft-answer [of]="plan" what="what it comes to" />
    @if (plan(); as it) {
      <ft-plan-preview [plan]="it" [action]="action()" (done)="make()" />
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlaybackPreview {
  readonly deed = input.required<PlaybackDeed>();
  /** What the button says, and what the history calls it. */
  readonly action = input.required<string>();
  readonly label = input.required<string>();
  readonly done = output();
  private readonly edits = inject(PlaybackEdits);
  protected readonly plan = askedAbout(this.deed, (api, deed) => api.playbackDeed(deed));

  protected async make(): Promise<void> {
    const made = await this.edits.make(this.label(), this.deed());
    if (made !== undefined && made.edits.length > 0) this.done.emit();
  }
}

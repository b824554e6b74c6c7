import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { JobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import { askedAbout } from '../../../state/asked';
import { typedDraft } from '../../../state/typed-draft';
import { TypedLine } from '../../../ui/form/typed-line';
import { InsertEdits } from './insert-edits';

/** Adds a job by typing it; what it comes to so far stands beside what is typed. */
@Component({
  selector: 'ft-new-job',
  imports: [TypedLine],
  template: `
    <ft-typed-line
      key="new-job"
      label="Add a job"
      typical="Track: unit > unit"
      [control]="draft.control"
      (entered)="add()"
      (cleared)="draft.type('')"
    >
      @if (meaning(); as plan) {
        @for (change of plan.changes; track $index) {
          <span
            ><span class="quiet">{{ change.column }}</span> {{ change.to }}</span
          >
        }
        @for (refusal of plan.refused; track $index) {
          <span class="warning">◆ {{ refusal.sentence }}</span>
        }
      } @else {
        <span class="quiet"
          >for example
          <span class="num">Narration: equaliser A &gt; opto &gt; valve; parallel 40 %; commit</span></span
        >
      }
    </ft-typed-line>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewJob {
  private readonly edits = inject(InsertEdits);
  protected readonly draft = typedDraft('new-job');
  private readonly deed = computed((): JobDeed | undefined => {
    const text = this.draft.text();
    return text.trim() === '' ? undefined : { does: 'add-job', text };
  });
  protected readonly meaning = askedAbout(this.deed, (api, deed) => api.jobDeed(deed));

  /** What is not understood stays in the field, to be mended. */
  protected async add(): Promise<void> {
    const deed = this.deed();
    if (deed?.does !== 'add-job') return;
    const made = await this.edits.make(`Job ${deed.text.split(':')[0]?.trim() ?? ''}`, deed);
    if (made !== undefined && made.edits.length > 0) this.draft.type('');
  }
}

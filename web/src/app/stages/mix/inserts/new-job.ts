import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import type { JobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import { askedAbout } from '../../../state/asked';
import { DraftActions, draftFeature } from '../../../state/draft.feature';
import { liveControl } from '../../../ui/form/live-control';
import { InsertEdits } from './insert-edits';

const DRAFT = 'new-job';

/** Adds a job by typing it; what it comes to so far stands beside what is typed. */
@Component({
  selector: 'ft-new-job',
  imports: [ReactiveFormsModule],
  template: `
    <form (submit)="$event.preventDefault(); add()">
      <label for="new-job">Add a job</label>
      <input
        id="new-job"
        type="text"
        autocomplete="off"
        placeholder="Track: unit > unit"
        [formControl]="control"
        (keydown.escape)="type('')"
        aria-describedby="new-job-meaning"
      />
      <button type="submit">Add</button>
      <span id="new-job-meaning" class="meaning" aria-live="polite">
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
      </span>
    </form>
  `,
  styles: `
    form {
      display: flex;
      align-items: center;
      flex-wrap: wrap;
      gap: 0.4rem 0.5rem;
      padding: 0.5rem 0.9rem 0.3rem;
    }
    input {
      width: 26rem;
      max-width: 100%;
    }
    .meaning {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem 0.9rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewJob {
  private readonly store = inject(Store);
  private readonly edits = inject(InsertEdits);
  private readonly drafts = this.store.selectSignal(draftFeature.selectTexts);
  protected readonly text = signal(this.drafts()[DRAFT] ?? '');
  protected readonly control = liveControl(this.text, (text) => {
    this.type(text);
  });
  private readonly deed = computed((): JobDeed | undefined =>
    this.text().trim() === '' ? undefined : { does: 'add-job', text: this.text() },
  );
  protected readonly meaning = askedAbout(this.deed, (api, deed) => api.jobDeed(deed));

  protected type(text: string): void {
    this.text.set(text);
    this.store.dispatch(
      text === '' ? DraftActions.drop({ key: DRAFT }) : DraftActions.keep({ key: DRAFT, text }),
    );
  }

  /** What is not understood stays in the field, to be mended. */
  protected async add(): Promise<void> {
    const deed = this.deed();
    if (deed?.does !== 'add-job') return;
    const made = await this.edits.make(`Job ${deed.text.split(':')[0]?.trim() ?? ''}`, deed);
    if (made !== undefined && made.edits.length > 0) this.type('');
  }
}

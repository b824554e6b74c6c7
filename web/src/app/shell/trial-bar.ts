import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { formatGain } from '@ft/core/units/format';
import { trialEdit } from '../state/on-trial';
import { PlanActions, planFeature } from '../state/plan.feature';
import { Changes } from '../state/changes';
import { studioFeature } from '../state/studio.feature';

/** Says that what is shown is a “what if”, and ends it one way or the other. */
@Component({
  selector: 'ft-trial-bar',
  template: `
    @if (trial(); as it) {
      <div role="status">
        <span class="warning">◆</span>
        <strong>What if</strong> {{ it.name }}
        <span class="num">{{ gain(it.value) }} {{ it.unit }}</span>
        <span class="quiet"
          >levels, findings and ladder are shown as they would be; nothing is changed yet</span
        >
        <span class="fill"></span>
        <button type="button" class="main" (click)="keep()">Set it so</button>
        <button type="button" (click)="back()">Back <kbd>Esc</kbd></button>
      </div>
    }
  `,
  styles: `
    div {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.2rem 0.6rem;
      padding: 0.3rem 0.75rem;
      background: var(--ft-select);
      border-bottom: 1px solid var(--ft-warning);
    }
    .fill {
      flex: 1;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown.escape)': 'back()' },
})
export class TrialBar {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  protected readonly trial = this.store.selectSignal(planFeature.selectTrial);
  protected readonly gain = formatGain;

  protected keep(): void {
    const [trial, place, studio] = [this.trial(), this.place(), this.studio()];
    const edit = trial && place && studio && trialEdit(studio, place, trial);
    this.store.dispatch(PlanActions.endTrial());
    if (trial === null || edit == null) return;
    const { value, name, unit } = trial;
    this.changes.make(`${name} ${formatGain(value)} ${unit}`, [edit]);
  }

  protected back(): void {
    if (this.trial() !== null) this.store.dispatch(PlanActions.endTrial());
  }
}

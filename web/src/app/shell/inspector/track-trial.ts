import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { TrackGain } from '@ft/core/views/mix/trackGains';
import { trackGains } from '@ft/core/views/mix/trackGains';
import { formatGain } from '@ft/core/units/format';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { studioFeature } from '../../state/studio.feature';
import { Slider } from '../../ui/form/slider';

/** The levels of the selected track, each to be turned on trial. */
@Component({
  selector: 'ft-track-trial',
  imports: [Slider],
  template: `
    @if (track(); as it) {
      <h3>What if</h3>
      <p class="quiet">
        Turned on trial: everything is worked out as if it stood there, and nothing is changed.
      </p>
      @for (gain of gains(); track gain.key) {
        <div>
          <ft-slider
            [label]="gain.title"
            [min]="gain.min"
            [max]="gain.max"
            [value]="standing(gain)"
            (slid)="attempt(gain, $event)"
          />
          <span class="num">{{ format(standing(gain)) }} dB</span>
        </div>
      } @empty {
        <p class="quiet">{{ it.name }} has no level of its own.</p>
      }
    }
  `,
  styles: `
    div {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 0.6rem;
      padding: 0.15rem 0;
    }
    .num {
      min-width: 4.6rem;
      text-align: right;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TrackTrial {
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);
  private readonly trial = this.store.selectSignal(planFeature.selectTrial);
  protected readonly format = formatGain;

  protected readonly track = computed(() => {
    const selection = this.selection();
    return selection?.kind === 'track'
      ? this.found()?.session.tracks.find(({ id }) => id === selection.id)
      : undefined;
  });

  protected readonly gains = computed((): readonly TrackGain[] => {
    const [track, session] = [this.track(), this.found()?.session];
    return track === undefined || session === undefined
      ? []
      : trackGains(track, session.buses, session.hostProfile.trims);
  });

  /** Where a level stands, on trial or for good. */
  protected standing(gain: TrackGain): number {
    const trial = this.trial();
    const on = trial?.on;
    return on?.kind === 'track' && on.track === this.track()?.id && on.key === gain.key
      ? (trial?.value ?? gain.db)
      : gain.db;
  }

  protected attempt(gain: TrackGain, value: number): void {
    const track = this.track();
    if (track === undefined) return;
    const on = { kind: 'track', track: track.id, key: gain.key } as const;
    const name = `${track.name}: ${gain.title.toLowerCase()}`;
    this.store.dispatch(PlanActions.tryLevel({ trial: { on, value, name, unit: 'dB' } }));
  }
}

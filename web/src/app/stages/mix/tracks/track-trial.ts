import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { TrackGain } from '@ft/core/views/mix/trackGains';
import { trackGains } from '@ft/core/views/mix/trackGains';
import { formatGain } from '@ft/core/units/format';
import { PlanActions, planFeature } from '../../../state/plan.feature';
import { studioFeature } from '../../../state/studio.feature';
import { Slider } from '../../../ui/form/slider';

/** The levels of the selected track, each to be turned on trial. */
@Component({
  selector: 'ft-track-trial',
  imports: [Slider],
  template: `
    <strong>What if</strong>
    @if (track(); as it) {
      <span>{{ it.name }}</span>
      @for (gain of gains(); track gain.key) {
        <ft-slider
          [label]="gain.title"
          [min]="gain.min"
          [max]="gain.max"
          [value]="standing(gain)"
          (slid)="attempt(gain, $event)"
        />
        <span class="num">{{ format(standing(gain)) }} dB</span>
      }
    } @else {
      <span class="quiet">choose a track: its fader, sends and trims can be turned here on trial</span>
    }
  `,
  // One line whatever is selected, so that the sheet below does not move under a hand.
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 0.4rem 0.9rem;
      height: 2.4rem;
      padding: 0 0.75rem;
      overflow-x: auto;
      white-space: nowrap;
      border-bottom: 1px solid var(--ft-line);
    }
    .num {
      min-width: 4.6rem;
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

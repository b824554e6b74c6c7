import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { SumDeed } from '@ft/core/actions/mix/sums/sumDeed';
import type { SumView } from '@ft/core/views/mix/summingView';
import { Entry } from '../../../ui/form/entry';
import { Pick } from '../../../ui/form/pick';
import { SidePanel } from '../../../ui/side-panel';
import { DeedPreview } from '../../deed-preview';

/** A parallel bus in one step: what carries it, the units it passes; and what that comes to. */
@Component({
  selector: 'ft-parallel-panel',
  imports: [DeedPreview, Entry, Pick, SidePanel],
  template: `
    <ft-side-panel title="Parallel bus" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">
          Every channel of the sum sends to it behind its fader, panned as in the mix. Over its units it comes
          back on free channels, low: bring it up under the mix.
        </p>
        <ft-pick label="On" [choices]="carriers()" [value]="chosen()" (picked)="picked.set($event)" />
        <ft-entry
          label="Over"
          typical="bus compressor > equaliser"
          [widthRem]="18"
          [value]="units()"
          (entered)="units.set($event.trim())"
        />
        @if (deed(); as it) {
          <ft-deed-preview [deed]="it" action="Set it up" label="Parallel bus" (done)="closed.emit()" />
        } @else {
          <p class="quiet">Say which units it passes.</p>
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ParallelPanel {
  readonly sum = input.required<SumView>();
  readonly closed = output();
  protected readonly picked = signal('');
  protected readonly units = signal('');
  protected readonly carriers = computed(() =>
    (this.sum().desk?.carriers ?? []).map(({ name }) => ({ value: name, name })),
  );
  /** A stereo one until somebody says otherwise: the console’s own cue comes last. */
  protected readonly chosen = computed(() =>
    this.picked() === '' ? (this.carriers().at(-1)?.value ?? '') : this.picked(),
  );
  protected readonly deed = computed((): SumDeed | undefined => {
    const { id, desk } = this.sum();
    const carrier = desk?.carriers.find(({ name }) => name === this.chosen())?.carrier;
    const units = this.units();
    return carrier === undefined || units === ''
      ? undefined
      : { does: 'parallel-bus', sum: id, wish: { carrier, units } };
  });
}

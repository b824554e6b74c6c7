import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { studioFeature } from '../../../state/studio.feature';
import { Fold } from '../../../ui/fold';

/** What a rig was begun as: which of its numbers were asked, and that everything else is only typical. */
@Component({
  selector: 'ft-begun-as',
  imports: [Fold],
  template: `
    @if (begun(); as it) {
      <ft-fold [title]="'Begun as: ' + it.room">
        <p>
          <strong>Asked:</strong>
          @for (each of it.asked; track each) {
            {{ each }}{{ $last ? '.' : ' · ' }}
          }
        </p>
        <p>
          <strong>Typical:</strong> everything else, as such a room usually has it: names, connectors,
          impedances, levels, noise, latencies, distances, lengths and numbers of cords, and how it is wired.
          Change what is otherwise with you; the data of a device stand under Data.
        </p>
      </ft-fold>
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 0 0.75rem;
    }
    p {
      margin: 0.2rem 0;
      max-width: 62rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BegunAs {
  private readonly studio = inject(Store).selectSignal(studioFeature.selectStudio);
  protected readonly begun = computed(() => this.studio()?.rig.begunAs);
}

import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { sheetAddress } from '../../state/studio-api.service';
import { studioFeature } from '../../state/studio.feature';
import { FileLink } from '../../ui/file-link';
import { SidePanel } from '../../ui/side-panel';

/** The cue sheet as a PDF. */
@Component({
  selector: 'ft-paper-panel',
  imports: [FileLink, SidePanel],
  template: `
    <ft-side-panel title="Cue sheet on paper" (closed)="closed.emit()">
      <p class="quiet">
        Every cue with its levels, and for each pair of headphones who wears it and on which box it hangs.
      </p>
      @if (address(); as it) {
        <p><ft-file-link [address]="it">Print the cue sheet (PDF)</ft-file-link></p>
      }
    </ft-side-panel>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PaperPanel {
  readonly closed = output();
  private readonly store = inject(Store);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  protected readonly address = computed(() => {
    const [studioId, place] = [this.studioId(), this.place()];
    return studioId === null || place === null ? undefined : sheetAddress(studioId, place, 'cues.pdf');
  });
}

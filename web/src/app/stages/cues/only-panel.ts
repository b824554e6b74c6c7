import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { CueDeed } from '@ft/core/actions/cues/cueDeed';
import type { CueRowView, CueView } from '@ft/core/views/cues/cueSheetView';
import { SidePanel } from '../../ui/side-panel';
import { DeedPreview } from '../deed-preview';

/** A source, an effect above all, heard in headphones and in no mix. */
@Component({
  selector: 'ft-only-panel',
  imports: [DeedPreview, SidePanel],
  template: `
    <ft-side-panel [title]="source().name + ' in headphones only'" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">
          It goes to {{ cue().name }}, and out of the mix and the groups: comfort for whoever plays, on no
          recording.
        </p>
        <ft-deed-preview [deed]="deed()" action="Do it" [label]="label()" (done)="closed.emit()" />
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OnlyPanel {
  readonly cue = input.required<CueView>();
  readonly source = input.required<CueRowView>();
  readonly closed = output();
  protected readonly label = computed(() => `${this.source().name} in headphones only`);
  protected readonly deed = computed((): CueDeed => ({
    ...{ does: 'headphones-only', cue: this.cue().id, source: this.source().key },
  }));
}

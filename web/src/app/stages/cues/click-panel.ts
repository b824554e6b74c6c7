import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { CueDeed } from '@ft/core/actions/cues/cueDeed';
import type { CueId } from '@ft/core/rig/ids';
import { typedNumber } from '@ft/core/text/typedNumber';
import type { CueSheetView } from '@ft/core/views/cues/cueSheetView';
import { Entry } from '../../ui/form/entry';
import { Tick } from '../../ui/form/tick';
import { SidePanel } from '../../ui/side-panel';
import { DeedPreview } from '../deed-preview';

/** How far under the other sends a click begins. Common practice, no source. */
const FIRST_LEVEL = '-20';

/** A click in the cues that want one: the one there is, else a track that plays it. */
@Component({
  selector: 'ft-click-panel',
  imports: [DeedPreview, Entry, SidePanel, Tick],
  template: `
    <ft-side-panel title="Click" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">
          The line or track that is marked as the click; where there is none, a track is made that plays one,
          and it is brought to a free channel. It goes to no mix.
        </p>
        <fieldset>
          <legend class="quiet">In</legend>
          @for (cue of sheet().cues; track cue.id) {
            <ft-tick [label]="cue.name" [isOn]="into().has(cue.id)" (ticked)="tick(cue.id, $event)" />
          }
        </fieldset>
        <ft-entry
          label="Level"
          unit="dB"
          [isFigure]="true"
          [widthRem]="6"
          [value]="level()"
          [refusal]="refusal"
          (entered)="level.set($event)"
        />
        @if (deed(); as it) {
          <ft-deed-preview
            [deed]="it"
            action="Put it in"
            label="Click put into cues"
            (done)="closed.emit()"
          />
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ClickPanel {
  readonly sheet = input.required<CueSheetView>();
  readonly closed = output();
  protected readonly into = signal<ReadonlySet<CueId>>(new Set());
  protected readonly level = signal(FIRST_LEVEL);
  protected readonly refusal = (text: string): string | undefined =>
    typedNumber(text) === undefined ? 'Type a level in dB: -20.' : undefined;
  protected readonly deed = computed((): CueDeed | undefined => {
    const levelDb = typedNumber(this.level());
    if (levelDb === undefined || this.into().size === 0) return undefined;
    return { does: 'click', wish: { cues: [...this.into()], levelDb } };
  });

  protected tick(id: CueId, isOn: boolean): void {
    const into = new Set(this.into());
    if (isOn) into.add(id);
    else into.delete(id);
    this.into.set(into);
  }
}

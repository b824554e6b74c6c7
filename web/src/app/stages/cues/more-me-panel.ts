import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { CueDeed } from '@ft/core/actions/cues/cueDeed';
import { typedNumber } from '@ft/core/text/typedNumber';
import type { EarView } from '@ft/core/views/cues/earView';
import { Entry } from '../../ui/form/entry';
import { SidePanel } from '../../ui/side-panel';
import { DeedPreview } from '../deed-preview';

/** Own sound up, everything else down, the total kept. */
@Component({
  selector: 'ft-more-me-panel',
  imports: [DeedPreview, Entry, SidePanel],
  template: `
    <ft-side-panel [title]="'More of ' + ear().performerName" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">
          Own sound goes up, everything else in {{ ear().cueName }} down by as much as keeps the total at the
          ear. Everybody on the cue hears the change.
        </p>
        <ft-entry
          label="Own sound up by"
          unit="dB"
          [isFigure]="true"
          [widthRem]="6"
          [value]="up()"
          [refusal]="refusal"
          (entered)="up.set($event)"
        />
        @if (deed(); as it) {
          <ft-deed-preview [deed]="it" action="Give them more" [label]="label()" (done)="closed.emit()" />
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MoreMePanel {
  readonly ear = input.required<EarView>();
  readonly closed = output();
  protected readonly up = signal('3');
  protected readonly label = computed(() => `More of ${this.ear().performerName} in ${this.ear().cueName}`);
  protected readonly refusal = (text: string): string | undefined => {
    const db = typedNumber(text);
    return db === undefined || db <= 0 || db > 20 ? 'Type how many dB more: 0.5 to 20.' : undefined;
  };
  protected readonly deed = computed((): CueDeed | undefined => {
    const upDb = typedNumber(this.up());
    const { cue, headphones } = this.ear();
    return upDb === undefined ? undefined : { does: 'more-me', wish: { cue, headphones, upDb } };
  });
}

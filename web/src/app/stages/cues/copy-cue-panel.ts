import {
  ChangeDetectionStrategy,
  Component,
  computed,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import type { CueDeed } from '@ft/core/actions/cues/cueDeed';
import type { CueId } from '@ft/core/rig/ids';
import type { CueSheetView, CueView } from '@ft/core/views/cues/cueSheetView';
import { Pick } from '../../ui/form/pick';
import { Tick } from '../../ui/form/tick';
import { SidePanel } from '../../ui/side-panel';
import { DeedPreview } from '../deed-preview';

/** The levels of one cue for others. */
@Component({
  selector: 'ft-copy-cue-panel',
  imports: [DeedPreview, Pick, SidePanel, Tick],
  template: `
    <ft-side-panel title="Copy a cue" (closed)="closed.emit()">
      <div class="stack">
        <ft-pick label="From" [choices]="choices()" [value]="chosen()" (picked)="chosen.set($event)" />
        <fieldset>
          <legend class="quiet">To</legend>
          @for (cue of others(); track cue.id) {
            <ft-tick [label]="cue.name" [isOn]="to().has(cue.id)" (ticked)="tick(cue.id, $event)" />
          }
        </fieldset>
        <p class="quiet">What does not come to the other carrier is left as it is there.</p>
        @if (deed(); as it) {
          <ft-deed-preview [deed]="it" action="Copy" [label]="label()" (done)="closed.emit()" />
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CopyCuePanel {
  readonly sheet = input.required<CueSheetView>();
  readonly from = input<CueView>();
  readonly closed = output();
  protected readonly to = signal<ReadonlySet<CueId>>(new Set());
  private readonly first = computed((): string => this.from()?.id ?? this.sheet().cues[0]?.id ?? '');
  protected readonly chosen = linkedSignal<string, string>({
    source: this.first,
    computation: (first) => first,
  });
  protected readonly choices = computed(() => this.sheet().cues.map(({ id, name }) => ({ value: id, name })));
  protected readonly others = computed(() => this.sheet().cues.filter(({ id }) => id !== this.chosen()));
  private readonly name = computed(
    () => this.sheet().cues.find(({ id }) => id === this.chosen())?.name ?? '',
  );
  protected readonly label = computed(() => `Cue ${this.name()} copied to ${String(this.to().size)} more`);
  protected readonly deed = computed((): CueDeed | undefined =>
    this.to().size === 0 ? undefined : { does: 'copy', from: this.chosen() as CueId, to: [...this.to()] },
  );

  protected tick(id: CueId, isOn: boolean): void {
    const to = new Set(this.to());
    if (isOn) to.add(id);
    else to.delete(id);
    this.to.set(to);
  }
}

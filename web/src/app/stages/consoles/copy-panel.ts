import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { USUAL_PARTS } from '@ft/core/actions/consoles/copiedChannel';
import type { SheetPart } from '@ft/core/rig/sheets/channelSheet';
import { SHEET_PARTS } from '@ft/core/rig/sheets/channelSheet';
import { numberRange } from '@ft/core/text/numberRange';
import { rangesText } from '@ft/core/text/rangesText';
import type { ChannelRowView, ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { askedAbout } from '../../state/asked';
import { AnswerState } from '../../ui/answer';
import { Entry } from '../../ui/form/entry';
import { Tick } from '../../ui/form/tick';
import { SidePanel } from '../../ui/side-panel';
import { ChannelEdits } from './channel-edits';
import { PlanPreview } from '../plan-preview';

const PART_WORDS: Readonly<Record<SheetPart, string>> = {
  source: 'What it listens to',
  preamp: 'Gain, pad, 48 V, polarity',
  inserts: 'Inserts',
  processing: 'Trim and processing',
  sends: 'Sends',
  mix: 'Groups, mix and pan',
  fader: 'Fader, VCA and mute',
};

/** One row for many, part by part. */
@Component({
  selector: 'ft-copy-panel',
  imports: [AnswerState, Entry, PlanPreview, SidePanel, Tick],
  template: `
    <ft-side-panel [title]="'Copy ' + from().name + ' to others'" (closed)="closed.emit()">
      <div class="stack">
        <ft-entry
          label="To"
          [widthRem]="12"
          [value]="toText()"
          [refusal]="refusal"
          (entered)="to.set($event)"
        />
        <fieldset>
          <legend class="quiet">What comes along</legend>
          @for (part of offered(); track part) {
            <ft-tick [label]="words[part]" [isOn]="parts().has(part)" (ticked)="tick(part, $event)" />
          }
        </fieldset>
        @if (parts().has('preamp')) {
          <p class="quiet">
            48 V stays off where it could harm what hangs there. Mute before it is switched, and wait before
            you open.
          </p>
        }
        <ft-answer [of]="plan" what="the copy" />
        @if (plan(); as it) {
          <ft-plan-preview [plan]="it" action="Copy" (done)="make()" />
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: './panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CopyPanel {
  readonly sheet = input.required<ChannelSheetView>();
  readonly from = input.required<ChannelRowView>();
  readonly closed = output();
  private readonly edits = inject(ChannelEdits);
  protected readonly words = PART_WORDS;
  /** Numbers of rows as typed; nothing typed means all others. */
  protected readonly to = signal('');
  protected readonly parts = signal<ReadonlySet<SheetPart>>(new Set(USUAL_PARTS));

  private readonly siblings = computed(() =>
    this.sheet().rows.filter(({ section }) => section === this.from().section),
  );
  private readonly others = computed(() => this.siblings().filter(({ id }) => id !== this.from().id));
  private readonly numbers = computed(() =>
    this.siblings().flatMap(({ id }, i) => (id === this.from().id ? [] : [i + 1])),
  );
  protected readonly toText = computed(() => (this.to() === '' ? rangesText(this.numbers()) : this.to()));
  /** The parts this row has at all. */
  protected readonly offered = computed(() =>
    SHEET_PARTS.filter((part) =>
      this.sheet().columns.some(({ id, part: of }) => of === part && this.from().texts[id] !== undefined),
    ),
  );

  private readonly wish = computed(() => {
    const range = numberRange(this.toText());
    const rows = range.ok ? range.numbers.flatMap((n) => this.siblings()[n - 1]?.id ?? []) : [];
    const parts = [...this.parts()];
    return { device: this.sheet().device, from: this.from().id, to: rows, parts };
  });
  protected readonly plan = askedAbout(this.wish, (api, { device, ...wish }) =>
    api.copyChannel(device, wish),
  );

  protected readonly refusal = (text: string): string | undefined => {
    const count = this.siblings().length;
    const range = numberRange(text);
    if (!range.ok) return 'Type numbers of rows: 2-24, or 3, 5, 7.';
    const none = range.numbers.find((n) => n < 1 || n > count);
    return none === undefined ? undefined : `There is no row ${String(none)}; there are ${String(count)}.`;
  };

  protected tick(part: SheetPart, isOn: boolean): void {
    const parts = new Set(this.parts());
    if (isOn) parts.add(part);
    else parts.delete(part);
    this.parts.set(parts);
  }

  protected make(): void {
    const { device, ...wish } = this.wish();
    const label = `${this.sheet().name}: ${this.from().name} copied to ${String(wish.to.length)} of ${String(this.others().length)}`;
    void this.edits.plan(label, (api) => api.copyChannel(device, wish));
    this.closed.emit();
  }
}

import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { typedNumber } from '@ft/core/text/typedNumber';
import type { ChannelRowView, ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { askedAbout } from '../../state/asked';
import { AnswerState } from '../../ui/answer';
import { Entry } from '../../ui/form/entry';
import { Pick } from '../../ui/form/pick';
import { SidePanel } from '../../ui/side-panel';
import { ChannelEdits } from './channel-edits';
import { PlanPreview } from '../plan-preview';

const MOST_ROWS = 512;

/** A run of sources for a run of rows: inputs to channels, buses to outputs. */
@Component({
  selector: 'ft-spill-panel',
  imports: [AnswerState, Entry, Pick, PlanPreview, SidePanel],
  template: `
    <ft-side-panel title="Lay sources one to one" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">
          The first row listens to the first source, the next to the next. “Again after” begins with the first
          anew: 8 buses over 24 outputs feed 1, 9 and 17 alike.
        </p>
        <ft-pick label="From row" [choices]="rows()" [value]="row()" (picked)="row.set($event)" />
        <ft-entry
          label="First source"
          [widthRem]="14"
          [value]="first()"
          [typical]="typical()"
          (entered)="first.set($event)"
        />
        <ft-entry
          label="How many"
          [isFigure]="true"
          [widthRem]="5"
          [value]="count() + ''"
          [refusal]="refusal"
          (entered)="count.set(+$event)"
        />
        <ft-entry
          label="Again after"
          [isFigure]="true"
          [widthRem]="5"
          typical="never"
          [value]="again() === undefined ? '' : again() + ''"
          [refusal]="refusalOfAgain"
          (entered)="again.set($event.trim() === '' ? undefined : +$event)"
        />
        <ft-answer [of]="plan" what="the run" />
        @if (first() === '') {
          <p class="quiet">Name the first source as a cell would: {{ typical() }}.</p>
        } @else if (plan(); as it) {
          <ft-plan-preview [plan]="it" action="Lay them" (done)="make()" />
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: './panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SpillPanel {
  readonly sheet = input.required<ChannelSheetView>();
  /** The row the keys are in. */
  readonly at = input<ChannelRowView>();
  readonly closed = output();
  private readonly edits = inject(ChannelEdits);
  protected readonly first = signal('');
  protected readonly again = signal<number | undefined>(undefined);

  private readonly listening = computed(() =>
    this.sheet().rows.filter(({ texts }) => texts['source'] !== undefined),
  );
  protected readonly rows = computed(() => this.listening().map(({ id, name }) => ({ value: id, name })));
  protected readonly row = linkedSignal(() => {
    const at = this.at();
    const all = this.listening();
    return (all.find(({ id }) => id === at?.id) ?? all[0])?.id ?? '';
  });
  private readonly section = computed(() => this.sheet().rows.find(({ id }) => id === this.row())?.section);
  protected readonly count = linkedSignal(() => {
    const rows = this.listening().filter(({ section }) => section === this.section());
    return (
      rows.length -
      Math.max(
        0,
        rows.findIndex(({ id }) => id === this.row()),
      )
    );
  });
  private readonly offered = askedAbout(
    computed(() => ({ device: this.sheet().device, row: this.row(), column: 'source' })),
    (api, cell) => api.cellChoices(cell, ''),
  );
  /** The first sources there are, as a cell would name them. */
  protected readonly typical = computed(() =>
    (this.offered() ?? [])
      .map(({ name }) => name)
      .filter((name) => name !== 'none')
      .slice(0, 2)
      .join(', '),
  );

  private readonly wish = computed(() => {
    const again = this.again();
    return {
      ...{ device: this.sheet().device, first: this.first(), count: this.count(), row: this.row() },
      ...(again !== undefined && { again }),
    };
  });
  protected readonly plan = askedAbout(this.wish, (api, { device, ...wish }) =>
    api.spillChannels(device, wish),
  );

  protected readonly refusal = (text: string): string | undefined => {
    const count = typedNumber(text);
    return count !== undefined && Number.isInteger(count) && count >= 1 && count <= MOST_ROWS
      ? undefined
      : `Type a whole number from 1 to ${String(MOST_ROWS)}.`;
  };
  protected readonly refusalOfAgain = (text: string): string | undefined =>
    text.trim() === '' ? undefined : this.refusal(text);

  protected make(): void {
    const { device, ...wish } = this.wish();
    const label = `${this.sheet().name}: ${wish.first} and on, to ${String(wish.count)} rows`;
    void this.edits.plan(label, (api) => api.spillChannels(device, wish));
    this.closed.emit();
  }
}

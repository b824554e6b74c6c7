import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Advised } from '@ft/core/actions/advice/advised';
import { formatGain, formatLevel, formatNumber } from '@ft/core/units/format';
import { typedNumber } from '@ft/core/text/typedNumber';
import { askedAbout } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';
import { Fold } from '../../ui/fold';
import { Entry } from '../../ui/form/entry';
import { PartPage } from '../../shell/part';

const LEAST_DBU = -40;
const MOST_DBU = 40;

/** Reference levels and trims of hardware inserts, and how hard summing inputs are driven. */
@Component({
  selector: 'ft-outboard-page',
  imports: [AnswerState, Entry, Fold, PartPage],
  templateUrl: './outboard-page.html',
  styleUrl: './stacked.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OutboardPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly typed = signal<number | undefined>(undefined);
  private readonly dbu = computed(() => this.typed() ?? this.found()?.session.lineUp.dbu ?? 4);
  protected readonly sweetDbu = computed(() => formatNumber(this.dbu()));
  protected readonly advice = askedAbout(this.dbu, (api, dbu) => api.outboardAdvice(dbu));
  protected readonly level = formatLevel;
  protected readonly gain = formatGain;

  protected readonly refusal = (text: string): string | undefined => {
    const value = typedNumber(text);
    return value !== undefined && value >= LEAST_DBU && value <= MOST_DBU
      ? undefined
      : `Type dBu, from ${formatNumber(LEAST_DBU)} to +${formatNumber(MOST_DBU)}.`;
  };

  /** The reference level to choose; the others are folded below it. */
  protected bestOf<R extends { readonly best: boolean }>(references: readonly R[]): R | undefined {
    return references.find(({ best }) => best);
  }

  protected enter(text: string): void {
    this.typed.set(typedNumber(text));
  }

  protected take({ label, edits }: Advised): void {
    if (label !== undefined) this.changes.make(label, edits);
  }
}

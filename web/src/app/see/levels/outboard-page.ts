import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Advised } from '@ft/core/actions/advice/advised';
import { formatGain, formatLevel } from '@ft/core/units/format';
import { typedNumber } from '@ft/core/text/typedNumber';
import { askedAbout } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';
import { PartPage } from '../../shell/part';

const LEAST_DBU = -40;
const MOST_DBU = 40;

/** Reference levels and trims of hardware inserts, and how hard summing inputs are driven. */
@Component({
  selector: 'ft-outboard-page',
  imports: [PartPage, AnswerState],
  templateUrl: './outboard-page.html',
  styleUrl: './stacked.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OutboardPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly typed = signal<number | undefined>(undefined);
  protected readonly sweetDbu = computed(() => this.typed() ?? this.found()?.session.lineUp.dbu ?? 4);
  protected readonly advice = askedAbout(this.sweetDbu, (api, dbu) => api.outboardAdvice(dbu));
  protected readonly level = formatLevel;
  protected readonly gain = formatGain;

  protected enter(text: string): void {
    const value = typedNumber(text);
    if (value !== undefined && value >= LEAST_DBU && value <= MOST_DBU) this.typed.set(value);
    else
      this.changes.complain(
        `“${text}” is not a level a unit is driven at. Type dBu, from ${String(LEAST_DBU)} to +${String(MOST_DBU)}.`,
      );
  }

  protected take({ label, edits }: Advised): void {
    if (label !== undefined) this.changes.make(label, edits);
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Data, Layout } from 'plotly.js';
import type { ParallelPathsView } from '@ft/core/views/time/parallelPathViews';
import { formatDb, formatFrequency, formatGain, formatMs, formatSamples } from '@ft/core/units/format';
import { Chart, themeColour } from '../../ui/chart/chart';
import { HERTZ_AXIS } from '../../ui/chart/hertz-axis';
import { asked } from '../../state/asked';
import { PlanActions } from '../../state/plan.feature';
import { AnswerState } from '../../ui/answer';
import { PartPage } from '../../shell/part';

/** Sounds that reach one place by several ways, and the response of their sum. */
@Component({
  selector: 'ft-parallel-paths-page',
  imports: [PartPage, AnswerState, Chart],
  templateUrl: './parallel-paths-page.html',
  styleUrl: '../levels/two-columns.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ParallelPathsPage {
  private readonly store = inject(Store);
  protected readonly time = asked((api) => api.time());
  private readonly chosen = signal<string | undefined>(undefined);
  protected readonly parallelPaths = computed(() => this.time()?.parallelPaths ?? []);
  protected readonly parallel = computed(
    () => this.parallelPaths().find(({ key }) => key === this.chosen()) ?? this.parallelPaths()[0],
  );
  protected readonly make = computed(() => {
    const parallel = this.parallel();
    return (): { data: Data[]; layout: Partial<Layout> } => ({
      data: parallel === undefined ? [] : [curve(parallel), ...envelope(parallel)],
      layout: {
        showlegend: false,
        xaxis: HERTZ_AXIS,
        yaxis: { title: { text: 'dB' } },
      },
    });
  });
  protected readonly gain = formatGain;
  protected readonly frequency = formatFrequency;
  protected readonly ms = formatMs;
  protected readonly samples = formatSamples;

  /** Where the first notch is and how deep: what one comes here to ask. */
  protected first({ firstNotch }: ParallelPathsView): string {
    if (firstNotch === undefined) return 'No notch below 20 kHz.';
    const depth = formatDb(-firstNotch.db);
    return firstNotch.db < 0
      ? `First notch at ${formatFrequency(firstNotch.hz)}, ${depth} deep.`
      : `No notch: where it would be, ${formatFrequency(firstNotch.hz)}, the sum is no lower than the strongest alone.`;
  }

  protected notches({ notchesHz }: ParallelPathsView): string {
    return notchesHz.map(formatFrequency).join(', ');
  }

  protected select(parallel: ParallelPathsView): void {
    this.chosen.set(parallel.key);
    this.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: parallel.lane }, quietly: true }));
  }
}

const HIGHEST_HZ = 20_000;

const curve = ({ response }: ParallelPathsView): Data => ({
  ...{ type: 'scatter', mode: 'lines', name: 'sum over the strongest way' },
  x: response.map(({ hz }) => hz),
  y: response.map(({ db }) => db),
  hovertemplate: '%{y:.1f} dB<extra></extra>',
  line: { color: themeColour('nominal'), width: 2 },
});

/** Where the teeth cannot be told apart, the two levels between which they stand. */
function envelope({ blurHz, dipDb, peakDb }: ParallelPathsView): readonly Data[] {
  if (blurHz >= HIGHEST_HZ) return [];
  const edge = (db: number, fill: 'none' | 'tonexty'): Data => ({
    ...{ type: 'scatter', mode: 'lines', name: 'between these', fill },
    x: [blurHz, HIGHEST_HZ],
    y: [db, db],
    hovertemplate: '%{y:.1f} dB<extra></extra>',
    line: { color: themeColour('nominal'), width: 1 },
    fillcolor: `color-mix(in srgb, ${themeColour('nominal')} 25%, transparent)`,
  });
  return [edge(peakDb, 'none'), edge(dipDb, 'tonexty')];
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Data, Layout } from 'plotly.js';
import type { ParallelPathsView } from '@ft/core/views/time/parallelPathViews';
import { formatFrequency, formatGain, formatMs, formatSamples } from '@ft/core/units/format';
import { Chart, themeColour } from '../../ui/chart/chart';
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
      data: [
        {
          ...{ type: 'scatter', mode: 'lines', name: 'sum over the strongest way' },
          x: parallel?.response.map(({ hz }) => hz) ?? [],
          y: parallel?.response.map(({ db }) => db) ?? [],
          hovertemplate: '%{y:.1f} dB<extra></extra>',
          line: { color: themeColour('nominal'), width: 2 },
        },
      ],
      layout: {
        showlegend: false,
        xaxis: {
          ...{
            type: 'log',
            title: { text: 'Hz' },
            tickvals: [20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000],
          },
          ticktext: ['20', '50', '100', '200', '500', '1k', '2k', '5k', '10k', '20k'],
        },
        yaxis: { title: { text: 'dB' } },
      },
    });
  });
  protected readonly gain = formatGain;
  protected readonly ms = formatMs;
  protected readonly samples = formatSamples;

  protected notches({ notchesHz }: ParallelPathsView): string {
    return notchesHz.map(formatFrequency).join(', ');
  }

  protected select(parallel: ParallelPathsView): void {
    this.chosen.set(parallel.key);
    this.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: parallel.lane }, quietly: true }));
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Data, Layout } from 'plotly.js';
import type { SumRow } from '@ft/core/views/levels/sumView';
import type { LaneId } from '@ft/core/rig/ids';
import { formatDb, formatFrequency, formatGain, formatMs } from '@ft/core/units/format';
import { Chart, themeColour } from '../../ui/chart/chart';
import { asked, askedAbout } from '../../state/asked';
import { PlanActions } from '../../state/plan.feature';
import { AnswerState } from '../../ui/answer';
import { PartPage } from '../../shell/part';

/** Bars down to here; what is softer plays no part. */
const FLOOR_UNDER_DB = 50;

/** What every bus, summing input, converter and cue sees when everything sounds. */
@Component({
  selector: 'ft-sums-page',
  imports: [PartPage, AnswerState, Chart],
  templateUrl: './sums-page.html',
  styleUrl: './sums-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SumsPage {
  private readonly store = inject(Store);
  private readonly chosen = signal<LaneId | undefined>(undefined);
  protected readonly rows = asked((api) => api.sums());
  protected readonly lane = computed(() => this.chosen() ?? this.rows()?.[0]?.lane);
  protected readonly row = computed(() => this.rows()?.find(({ lane }) => lane === this.lane()));
  protected readonly parts = askedAbout(this.lane, (api, lane) => api.contributions(lane));
  protected readonly gain = formatGain;
  protected readonly db = formatDb;
  protected readonly ms = formatMs;
  protected readonly hz = formatFrequency;

  protected readonly make = computed(() => {
    const parts = (this.parts() ?? []).filter(({ nominal }) => nominal !== undefined);
    const row = this.row();
    return (): { data: Data[]; layout: Partial<Layout> } => {
      const names = [...parts.map(({ name }) => name), 'together'];
      const levels = [...parts.map(({ nominal = 0 }) => nominal), row?.nominal ?? 0];
      const base = Math.min(...levels, Math.max(...levels) - FLOOR_UNDER_DB) - 3;
      const bar = (name: string, values: readonly number[], colour: string): Data => ({
        ...{ type: 'bar', orientation: 'h', name, y: names, base, marker: { color: themeColour(colour) } },
        x: values.map((value) => value - base),
        customdata: [...values],
        hovertemplate: `${name} %{customdata:.1f} ${row?.unit ?? ''}<extra></extra>`,
      });
      return {
        data: [bar('nominal', levels, 'nominal')],
        layout: {
          showlegend: false,
          hovermode: 'closest',
          yaxis: { autorange: 'reversed', type: 'category' },
          xaxis: { title: { text: row?.unit ?? '' } },
          ...(row?.max !== undefined && {
            shapes: [
              {
                ...{ type: 'line', x0: row.max, x1: row.max, yref: 'paper', y0: 0, y1: 1 },
                line: { color: themeColour('error'), width: 1.5, dash: 'dash' },
              },
            ],
          }),
        },
      };
    };
  });

  protected select(row: SumRow): void {
    this.chosen.set(row.lane);
    this.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: row.lane }, quietly: true }));
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Data, Layout } from 'plotly.js';
import type { MeetingView } from '@ft/core/views/time/meetingViews';
import { formatFrequency, formatGain, formatMs, formatSamples } from '@ft/core/units/format';
import { Chart, themeColour } from '../charts/chart';
import { asked } from '../state/asked';
import { PlanActions } from '../state/plan.feature';

/** Sounds that reach one place by several ways, and the response of their sum. */
@Component({
  selector: 'ft-meetings-tab',
  imports: [Chart],
  templateUrl: './meetings-tab.html',
  styleUrl: '../levels/two-columns.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MeetingsTab {
  private readonly store = inject(Store);
  private readonly asking = signal(true);
  private readonly time = asked(this.asking, (api) => api.time());
  private readonly chosen = signal<string | undefined>(undefined);
  protected readonly known = computed(() => this.time() !== undefined);
  protected readonly meetings = computed(() => this.time()?.meetings ?? []);
  protected readonly meeting = computed(
    () => this.meetings().find(({ key }) => key === this.chosen()) ?? this.meetings()[0],
  );
  protected readonly make = computed(() => {
    const meeting = this.meeting();
    return (): { data: Data[]; layout: Partial<Layout> } => ({
      data: [
        {
          ...{ type: 'scatter', mode: 'lines', name: 'sum over the strongest way' },
          x: meeting?.response.map(({ hz }) => hz) ?? [],
          y: meeting?.response.map(({ db }) => db) ?? [],
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

  protected notches({ notchesHz }: MeetingView): string {
    return notchesHz.map(formatFrequency).join(', ');
  }

  protected select(meeting: MeetingView): void {
    this.chosen.set(meeting.key);
    this.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: meeting.lane }, quietly: true }));
  }
}

import { ChangeDetectionStrategy, Component, computed, output, signal } from '@angular/core';
import type { Data, Layout } from 'plotly.js';
import type { MonoCheckView } from '@ft/core/views/mix/monoCheckView';
import { asked } from '../../../state/asked';
import { AnswerState } from '../../../ui/answer';
import { Chart, themeColour } from '../../../ui/chart/chart';
import { HERTZ_AXIS } from '../../../ui/chart/hertz-axis';
import { Pick } from '../../../ui/form/pick';
import { SidePanel } from '../../../ui/side-panel';

/** The bottom of the chart: what lies below is gone. */
const LOWEST_DB = -40;

/** What becomes of stereo effects in mono: the sum of both sides, in dB by frequency. */
@Component({
  selector: 'ft-mono-panel',
  imports: [AnswerState, Chart, Pick, SidePanel],
  template: `
    <ft-side-panel title="Mono check" (closed)="closed.emit()">
      <div class="stack">
        <ft-answer [of]="checks" what="the mono check" />
        @if (check(); as it) {
          @if (choices().length > 1) {
            <ft-pick label="Track" [choices]="choices()" [value]="it.track" (picked)="chosen.set($event)" />
          } @else {
            <strong>{{ it.name }}</strong>
          }
          <p>{{ it.says }}</p>
          <ft-chart class="curve" [make]="make()" />
          <p class="quiet">
            The sum of both sides under what they would make in phase. Turn the polarity of one side, take the
            delay out of it, or keep the effect narrow where mono matters.
          </p>
        } @else if (checks() !== undefined) {
          <p>
            No stereo track carries one sound on both sides with a delay or a polarity between them: nothing
            is lost in mono.
          </p>
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../../consoles/panel.scss',
  styles: `
    .curve {
      height: 20rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MonoPanel {
  readonly closed = output();
  protected readonly chosen = signal('');
  protected readonly checks = asked((api) => api.monoChecks());
  protected readonly choices = computed(() =>
    (this.checks() ?? []).map(({ track, name }) => ({ value: track, name })),
  );
  protected readonly check = computed(() => {
    const checks = this.checks() ?? [];
    return checks.find(({ track }) => track === this.chosen()) ?? checks[0];
  });
  protected readonly make = computed(() => {
    const check = this.check();
    return (): { data: Data[]; layout: Partial<Layout> } => ({
      data: check === undefined ? [] : [curve(check)],
      layout: {
        showlegend: false,
        xaxis: HERTZ_AXIS,
        yaxis: { title: { text: 'dB' }, range: [LOWEST_DB, 2] },
      },
    });
  });
}

const curve = ({ curve: points }: MonoCheckView): Data => ({
  ...{ type: 'scatter', mode: 'lines', name: 'both sides added' },
  x: points.map(({ hz }) => hz),
  y: points.map(({ lossDb }) => Math.max(LOWEST_DB, -lossDb)),
  hovertemplate: '%{y:.1f} dB<extra></extra>',
  line: { color: themeColour('nominal'), width: 2 },
});

import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Advised } from '@ft/core/actions/advice/advised';
import type { ThreadId } from '@ft/core/rig/ids';
import { formatDb, formatLevel } from '@ft/core/units/format';
import { Chart } from '../../ui/chart/chart';
import { askedAbout } from '../../state/asked';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { ladderChart } from './ladder-chart';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';
import { PartPage } from '../../shell/part';

/** The ladder of one thread as a chart, with what to turn and where its noise is made. */
@Component({
  selector: 'ft-ladder-page',
  imports: [PartPage, AnswerState, Chart],
  templateUrl: './ladder-page.html',
  styleUrl: './two-columns.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LadderPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly plan = this.store.selectSignal(planFeature.selectPlan);
  protected readonly strip = this.store.selectSignal(planFeature.selectStrip);
  protected readonly rows = computed(() => this.plan()?.rows ?? []);
  protected readonly advice = askedAbout(
    computed(() => this.strip()?.thread),
    (api, id) => api.threadAdvice(id),
  );
  protected readonly worst = computed(() => {
    const strip = this.strip();
    return strip?.hops[strip.worst];
  });
  protected readonly make = computed(() => {
    const strip = this.strip();
    return () => (strip === null ? { data: [], layout: {} } : ladderChart(strip));
  });
  protected readonly db = formatDb;
  protected readonly level = formatLevel;

  protected select(id: ThreadId): void {
    this.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id }, quietly: true }));
  }

  protected take({ label, edits }: Advised): void {
    if (label !== undefined) this.changes.make(label, edits);
  }
}

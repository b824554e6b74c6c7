import { moveItemInArray } from '@angular/cdk/drag-drop';
import { editSet, fieldRead } from '@ft/core/edits/make';
import { DecimalPipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Alternative, RoleReasons } from '@ft/core/views/routing/wayReasons';
import type { ThreadId } from '@ft/core/rig/ids';
import type { Preference } from '@ft/core/session/preferences';
import { PREFERENCE_ORDER } from '@ft/core/session/preferences';
import { askedAbout } from '../../state/asked';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { studioFeature } from '../../state/studio.feature';
import { StatusMark } from '../../stages/track/input-list/status-mark';
import { SceneRouter } from '../../workers/scene-router.service';
import { Changes } from '../../state/changes';
import type { OrderMove } from '../../ui/order-list';
import { OrderList } from '../../ui/order-list';
import { Progress } from '../../ui/progress';
import { AnswerState } from '../../ui/answer';
import { PartPage } from '../../shell/part';

const PREFERENCE_WORDS: Readonly<Record<Preference, string>> = {
  keep: 'keep what is plugged already',
  normals: 'leave normals closed',
  'one-to-one': 'inserts come back on their own number',
  'few-cords': 'few cords',
  'short-cords': 'short cords',
  'few-tie-lines': 'few tie lines',
  'others-normals': 'leave alone what other scenes use',
};

/** How the router decides: what it prefers, why each thread goes its way, and what else there would be. */
@Component({
  selector: 'ft-routing-page',
  imports: [OrderList, Progress, PartPage, AnswerState, DecimalPipe, StatusMark],
  templateUrl: './routing-page.html',
  styleUrl: './routing-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RoutingPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  protected readonly router = inject(SceneRouter);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly strip = this.store.selectSignal(planFeature.selectStrip);
  private readonly plan = this.store.selectSignal(planFeature.selectPlan);
  protected readonly planned = computed(() => this.plan() !== null);
  protected readonly rows = computed(() => this.plan()?.rows ?? []);
  protected readonly order = computed(() => this.found()?.session.routing ?? PREFERENCE_ORDER);
  protected readonly preferences = computed(() =>
    this.order().map((id) => ({ id, name: PREFERENCE_WORDS[id] })),
  );
  private readonly chosen = signal<ThreadId | undefined>(undefined);
  protected readonly thread = computed(
    () => this.chosen() ?? this.strip()?.thread ?? this.rows()[0]?.thread.id,
  );
  protected readonly why = askedAbout(this.thread, (api, id) => api.reasons(id));

  protected select(id: ThreadId): void {
    this.chosen.set(id);
    this.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id } }));
  }

  /** Gives a preference another place among the others. */
  protected move({ from, to }: OrderMove): void {
    const [session, was] = [this.found()?.session, this.order()];
    const [moved, other] = [was[from], was[to]];
    if (session === undefined || moved === undefined || other === undefined) return;
    const value = [...was];
    moveItemInArray(value, from, to);
    const edit = editSet('session', {}, session.id, { field: 'routing', value, was });
    const words = `${PREFERENCE_WORDS[moved]} ${to < from ? 'before' : 'after'} ${PREFERENCE_WORDS[other]}`;
    this.changes.make(`Routing: ${words}`, [edit]);
  }

  /** Pins the thread to another unit; the router does the rest. */
  protected async take({ role, title }: RoleReasons, { station, name }: Alternative): Promise<void> {
    const row = this.rows().find(({ thread }) => thread.id === this.thread());
    if (row === undefined) return;
    const { id, pins } = row.thread;
    const pin = fieldRead('thread', `pins.${role}`, station, pins[role]);
    await this.changes.work(`${row.name}: ${title} ${name}`, (api) => api.changeThread(id, pin));
  }
}

import { editRemove } from '@ft/core/edits/make';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { FindingView } from '@ft/core/views/findingView';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { studioFeature } from '../../state/studio.feature';
import type { Grouping } from './finding-groups';
import { GROUPINGS, groupsOf } from './finding-groups';
import { Changes } from '../../state/changes';
import { RepairBar } from './repair-bar';
import { PartPage } from '../../shell/part';
import { placeName } from '../../shell/stages';

const SIGNS = { error: '▲', warning: '◆', note: '●' } as const;

/** Every finding of the scene, the worst first; up and down walk through them with the strip following. */
@Component({
  selector: 'ft-findings-page',
  imports: [PartPage, RepairBar],
  templateUrl: './findings-page.html',
  styleUrl: './findings-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingsPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  protected readonly plan = this.store.selectSignal(planFeature.selectPlan);
  protected readonly selected = this.store.selectSignal(planFeature.selectFindingKey);
  protected readonly signs = SIGNS;
  protected readonly placeName = placeName;
  protected readonly open = computed(
    () => this.plan()?.findings.filter((it) => it.waivedFor === undefined) ?? [],
  );
  protected readonly groupings = GROUPINGS;
  protected readonly by = signal<Grouping>('severity');
  protected readonly groups = computed(() => groupsOf(this.open(), this.by()));
  protected readonly waived = computed(
    () => this.plan()?.findings.filter((it) => it.waivedFor !== undefined) ?? [],
  );

  protected select(finding: FindingView): void {
    this.store.dispatch(PlanActions.selectFinding({ key: finding.key }));
  }

  protected walk(event: Event, step: 1 | -1): void {
    event.preventDefault();
    const all = (event.currentTarget as HTMLElement).closest('.list')?.querySelectorAll('li > button');
    const list = [...(all ?? [])] as HTMLElement[];
    list[list.indexOf(event.currentTarget as HTMLElement) + step]?.focus();
  }

  protected dropWaiver(id: string): void {
    const session = this.place()?.session;
    if (session === undefined) return;
    const edit = editRemove('waiver', { session }, id);
    this.changes.make('Drop a waiver that waives nothing', [edit]);
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { MOST_WIDE } from '@ft/core/session/sessionSchema';
import type { PlanRow } from '@ft/core/views/plan';
import { Here } from '../../../shell/here';
import { PartPage } from '../../../shell/part';
import { PlanActions, planFeature } from '../../../state/plan.feature';
import { ColumnMenu } from '../../../ui/sheet/column-menu';
import { Sheet } from '../../../ui/sheet/sheet';
import { SheetCell } from '../../../ui/sheet/sheet-cell';
import type { Ordered } from '../../../ui/order-list';
import { OrderList } from '../../../ui/order-list';
import { SidePanel } from '../../../ui/side-panel';
import { SceneRouter } from '../../../workers/scene-router.service';
import { AddLine } from './add-line';
import { COLUMNS, settingIn, stationIn } from './columns';
import { LineEdits } from './line-edits';
import { StatusMark } from './status-mark';
import { ThreadChanges } from './thread-changes';

/** The input list: a line a thread, a cell a choice. Keyboard first. */
@Component({
  selector: 'ft-input-list',
  imports: [AddLine, ColumnMenu, OrderList, PartPage, RouterLink, Sheet, SheetCell, SidePanel, StatusMark],
  templateUrl: './input-list.html',
  styleUrl: './input-list.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InputList {
  private readonly store = inject(Store);
  private readonly changes = inject(ThreadChanges);
  protected readonly edits = inject(LineEdits);
  protected readonly router = inject(SceneRouter);
  protected readonly here = inject(Here);
  private readonly plan = this.store.selectSignal(planFeature.selectPlan);
  private readonly strip = this.store.selectSignal(planFeature.selectStrip);

  protected readonly sheet = viewChild<Sheet<PlanRow>>(Sheet);
  protected readonly columns = COLUMNS;
  protected readonly station = stationIn;
  protected readonly setting = settingIn;
  protected readonly rowId = ({ thread }: PlanRow): string => thread.id;
  protected readonly planned = computed(() => this.plan() !== null);
  protected readonly rows = computed(() => this.plan()?.rows ?? []);
  protected readonly selectedThread = computed(() => this.strip()?.thread);

  private readonly selectedRow = computed(() =>
    this.rows().findIndex(({ thread }) => thread.id === this.selectedThread()),
  );
  protected readonly selected = computed(() => this.rows()[this.selectedRow()]);
  protected readonly isOrderOpen = signal(false);
  protected readonly inserts = computed((): readonly Ordered[] =>
    (this.selected()?.inserts ?? []).map(({ id, name }, at) => ({ id: `${String(at)} ${id}`, name })),
  );
  protected readonly isSide = computed(() => this.selected()?.side !== undefined);
  /** The selected line and the one above it, where they can be linked or are. */
  protected readonly linkable = computed(() => {
    const [row, above] = [this.rows()[this.selectedRow()], this.rows()[this.selectedRow() - 1]];
    if (row === undefined || above === undefined) return undefined;
    const isFull = (above.side?.place ?? 1) >= MOST_WIDE;
    return row.side !== undefined || !isFull ? { row, above } : undefined;
  });

  protected link(): void {
    const pair = this.linkable();
    if (pair !== undefined) void this.changes.link(pair.row, pair.above);
  }

  protected reach({ thread: { id } }: PlanRow): void {
    if (id !== this.selectedThread())
      this.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id } }));
  }
}

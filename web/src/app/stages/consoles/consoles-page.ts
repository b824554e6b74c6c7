import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { Store } from '@ngrx/store';
import type { DeviceId } from '@ft/core/rig/ids';
import type { MatrixRow } from '@ft/core/views/consoles/matrixPage';
import { Here } from '../../shell/here';
import { PartPage } from '../../shell/part';
import type { PartAddress } from '../../shell/stages';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { AnswerState } from '../../ui/answer';
import { Pick } from '../../ui/form/pick';
import type { MenuItem } from '../../ui/menu';
import { Menu } from '../../ui/menu';
import { ColumnMenu } from '../../ui/sheet/column-menu';
import { Sheet } from '../../ui/sheet/sheet';
import { SheetCell } from '../../ui/sheet/sheet-cell';
import type { SheetColumn } from '../../ui/sheet/sheet-column';
import { COLUMN_LOOKS } from './channel-columns';
import { ChannelEdits } from './channel-edits';
import type { ConsolePanel } from './console-panels';
import { ConsolePanels } from './console-panels';
import type { ConsoleRow } from './console-row';
import { ConsoleShown } from './console-shown';
import { MatrixGrid } from './matrix-grid';

const MORE: readonly (MenuItem & { readonly id: ConsolePanel })[] = [
  { id: 'spill', name: 'Lay one to one', note: 'a run of sources for a run of rows' },
  { id: 'strips', name: 'Channels', note: 'who has them, and which lines have none' },
  { id: 'views', name: 'Views', note: 'rows this job uses, kept under a name' },
  { id: 'list', name: 'Table and paper', note: 'pasted, read from CSV, written, printed' },
  { id: 'automation', name: 'Automation', note: 'the order that keeps work' },
  { id: 'silence', name: 'No sound?', note: 'from each ear back to the first closed place' },
];

/** Everything with channels as a sheet: a row for each channel and bus, a column for what it has. */
@Component({
  selector: 'ft-consoles-page',
  imports: [AnswerState, ColumnMenu, ConsolePanels, MatrixGrid, Menu, PartPage, Pick, Sheet, SheetCell],
  providers: [ChannelEdits, ConsoleShown],
  templateUrl: './consoles-page.html',
  styleUrl: './consoles-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConsolesPage {
  readonly part = input.required<PartAddress>();
  /** Left out, the one looked at last. */
  readonly device = input<string>();
  private readonly store = inject(Store);
  private readonly here = inject(Here);
  protected readonly edits = inject(ChannelEdits);
  protected readonly shown = inject(ConsoleShown);
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);
  protected readonly panel = signal<ConsolePanel | undefined>(undefined);
  private readonly reached = signal<ConsoleRow | undefined>(undefined);
  protected readonly sheetOf = viewChild<Sheet<ConsoleRow>>(Sheet);
  protected readonly columnLooks = COLUMN_LOOKS;
  protected readonly choices = computed(() =>
    (this.shown.consoles() ?? []).map(({ id, name }) => ({ value: id, name })),
  );
  /** Another device is another sheet, with columns of its own to remember. */
  protected readonly sheetNames = computed(() => [this.shown.sheet()?.name ?? '']);

  /** The row the keys are in, as it stands now. */
  protected readonly row = computed(() => {
    const reached = this.reached();
    return reached?.kind === 'row' ? this.shown.sheet()?.rows.find(({ id }) => id === reached.id) : undefined;
  });
  protected readonly more = computed((): readonly MenuItem[] => {
    const row = this.row();
    return row === undefined
      ? MORE
      : [{ id: 'knobs', name: `What if: ${row.name}`, note: 'its levels, on trial' }, ...MORE];
  });
  protected readonly rowId = ({ id }: ConsoleRow): string => `console:${this.shown.device() ?? ''}:${id}`;
  /** The head of a section is a button in its first cell. */
  protected readonly isHead = (row: ConsoleRow, { id }: SheetColumn<ConsoleRow>): boolean =>
    row.kind === 'section' && id === 'name';
  protected readonly selected = computed(() => {
    const [selection, reached] = [this.selection(), this.reached()];
    return selection?.kind === 'lane' && reached?.kind === 'row' && reached.row.lane === selection.id
      ? this.rowId(reached)
      : undefined;
  });

  constructor() {
    this.edits.fold = (section) => {
      this.shown.fold(section);
    };
    effect(() => {
      this.shown.open(this.device());
    });
    effect(() => {
      this.edits.sheet.set(this.shown.sheet());
    });
  }

  protected openPanel(id: string): void {
    this.panel.set(id as ConsolePanel);
  }

  protected close(): void {
    this.panel.set(undefined);
  }

  protected open(id: DeviceId): void {
    this.here.go(this.part(), id);
  }

  /** The keys have come to a row of the grid. */
  protected reachInGrid({ id }: MatrixRow): void {
    const row = this.shown.sheet()?.rows.find((each) => each.id === id);
    if (row !== undefined) this.reach({ kind: 'row', id, row });
  }

  protected reach(row: ConsoleRow): void {
    this.reached.set(row);
    if (row.kind === 'row' && row.row.lane !== undefined)
      this.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: row.row.lane }, quietly: true }));
  }
}

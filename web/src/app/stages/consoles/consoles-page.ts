import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import { Store } from '@ngrx/store';
import type { DeviceId } from '@ft/core/rig/ids';
import { Here } from '../../shell/here';
import { PartPage } from '../../shell/part';
import type { PartAddress } from '../../shell/stages';
import { asked, askedAbout } from '../../state/asked';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { AnswerState } from '../../ui/answer';
import { Pick } from '../../ui/form/pick';
import type { MenuItem } from '../../ui/menu';
import { Menu } from '../../ui/menu';
import { ColumnMenu } from '../../ui/sheet/column-menu';
import { Sheet } from '../../ui/sheet/sheet';
import { SheetCell } from '../../ui/sheet/sheet-cell';
import { SwitchMark } from '../../ui/sheet/switch-mark';
import type { ColumnLook } from './channel-columns';
import { channelColumns, COLUMN_LOOKS } from './channel-columns';
import { ChannelEdits } from './channel-edits';
import { CopyPanel } from './copy-panel';
import { KnobsPanel } from './knobs-panel';
import { ReadyPanel } from './ready-panel';
import { SilencePanel } from './silence-panel';
import { SpillPanel } from './spill-panel';
import { StripsPanel } from './strips-panel';
import { foldedOf, lastConsole, rememberConsole, rememberFolded } from './console-choice';
import type { ConsoleLook, ConsoleRow } from './console-row';
import { consoleRows } from './console-row';

type Panel = 'copy' | 'spill' | 'ready' | 'strips' | 'silence' | 'knobs';

const MORE: readonly (MenuItem & { readonly id: Panel })[] = [
  { id: 'spill', name: 'Lay one to one', note: 'a run of sources for a run of rows' },
  { id: 'strips', name: 'Channels', note: 'who has them, and which lines have none' },
  { id: 'silence', name: 'No sound?', note: 'from each ear back to the first closed place' },
];

/** Sections that are long and seldom touched: folded until somebody opens them. */
const FOLDED_AT_FIRST = ['cards', 'link', 'centre'];

/** Everything with channels as a sheet: a row for each channel and bus, a column for what it has. */
@Component({
  selector: 'ft-consoles-page',
  imports: [
    AnswerState,
    ColumnMenu,
    CopyPanel,
    KnobsPanel,
    Menu,
    PartPage,
    Pick,
    ReadyPanel,
    Sheet,
    SheetCell,
    SilencePanel,
    SpillPanel,
    StripsPanel,
    SwitchMark,
  ],
  providers: [ChannelEdits],
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
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);
  protected readonly panel = signal<Panel | undefined>(undefined);
  protected readonly reached = signal<ConsoleRow | undefined>(undefined);
  protected readonly sheetOf = viewChild<Sheet<ConsoleRow>>(Sheet);

  protected readonly consoles = asked((api) => api.consoles());
  protected readonly shown = computed((): DeviceId | undefined => {
    const all = this.consoles() ?? [];
    const wanted = this.device() ?? lastConsole();
    return (all.find(({ id }) => id === wanted) ?? all[0])?.id;
  });
  protected readonly told = askedAbout(this.shown, (api, id) => api.channelSheet(id));
  protected readonly choices = computed(() =>
    (this.consoles() ?? []).map(({ id, name }) => ({ value: id, name })),
  );

  protected readonly look = linkedSignal<DeviceId | undefined, string>({
    source: this.shown,
    computation: () => 'all',
  });
  protected readonly looks = computed(() => [
    { value: 'all', name: 'Everything' },
    { value: 'used', name: 'What this job uses' },
    ...(this.told()?.layers ?? []).map(({ id, name }) => ({ value: `layer:${id}`, name })),
  ]);
  protected readonly columnLooks = COLUMN_LOOKS;
  protected readonly columnLook = signal<ColumnLook>('all');
  private readonly folded = linkedSignal<DeviceId | undefined, ReadonlySet<string>>({
    source: this.shown,
    computation: (id) => new Set((id === undefined ? undefined : foldedOf(id)) ?? FOLDED_AT_FIRST),
  });

  protected readonly rows = computed((): readonly ConsoleRow[] => {
    const [sheet, look] = [this.told(), this.look()];
    if (sheet === undefined) return [];
    const chosen: ConsoleLook = look === 'all' || look === 'used' ? look : { layer: look.slice(6) };
    return consoleRows(sheet, chosen, this.folded());
  });
  protected readonly columns = computed(() => {
    const sheet = this.told();
    return sheet === undefined ? [] : channelColumns(sheet, this.rows(), this.columnLook());
  });
  protected readonly more = MORE;
  protected readonly rowId = ({ id }: ConsoleRow): string => `console:${this.shown() ?? ''}:${id}`;
  protected readonly selected = computed(() => {
    const [selection, reached] = [this.selection(), this.reached()];
    return selection?.kind === 'lane' && reached?.kind === 'row' && reached.row.lane === selection.id
      ? this.rowId(reached)
      : undefined;
  });

  constructor() {
    this.edits.fold = (section) => {
      this.fold(section);
    };
    effect(() => {
      this.edits.sheet.set(this.told());
    });
  }

  /** The row the keys are in, as it stands now. */
  protected readonly row = computed(() => {
    const reached = this.reached();
    return reached?.kind === 'row' ? this.told()?.rows.find(({ id }) => id === reached.id) : undefined;
  });

  protected openPanel(id: string): void {
    this.panel.set(id as Panel);
  }

  protected close(): void {
    this.panel.set(undefined);
  }

  protected open(id: DeviceId): void {
    rememberConsole(id);
    this.here.go(this.part(), id);
  }

  protected fold(section: string): void {
    const device = this.shown();
    const folded = new Set(this.folded());
    if (!folded.delete(section)) folded.add(section);
    this.folded.set(folded);
    if (device !== undefined) rememberFolded(device, [...folded]);
  }

  protected reach(row: ConsoleRow): void {
    this.reached.set(row);
    if (row.kind === 'row' && row.row.lane !== undefined)
      this.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: row.row.lane }, quietly: true }));
  }
}

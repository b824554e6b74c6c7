import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { Store } from '@ngrx/store';
import type { ThreadStatus } from '@ft/core/checks/threadStatus';
import { worstStatus } from '@ft/core/views/cues/worstStatus';
import type { EarView } from '@ft/core/views/cues/earView';
import { PartPage } from '../../shell/part';
import { asked } from '../../state/asked';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { AnswerState } from '../../ui/answer';
import type { MenuItem } from '../../ui/menu';
import { Menu } from '../../ui/menu';
import { ColumnMenu } from '../../ui/sheet/column-menu';
import { Sheet } from '../../ui/sheet/sheet';
import { SheetCell } from '../../ui/sheet/sheet-cell';
import type { SheetColumn } from '../../ui/sheet/sheet-column';
import { StatusMark } from '../track/input-list/status-mark';
import { cueColumns } from './cue-columns';
import { Deeds } from '../deeds';
import { CueEdits } from './cue-edits';
import type { CuePanel } from './cue-panels';
import { CuePanels } from './cue-panels';
import type { CueRow } from './cue-row';
import { cueRows } from './cue-row';
import { EAR_COLUMNS } from './ear-columns';
import { EarEdits } from './ear-edits';

const VOLUMES = [
  { id: 'volumes-at-start', name: 'First sound', note: 'pairs that are worn to 75 dB SPL at the ear' },
  { id: 'mute-unworn', name: 'Mute what nobody wears', note: 'Alt M' },
  { id: 'volumes-to-zero', name: 'All down', note: 'every pair on a cue' },
] as const satisfies readonly MenuItem[];
type Turn = (typeof VOLUMES)[number]['id'];

const MORE: readonly (MenuItem & { readonly id: CuePanel })[] = [
  { id: 'copy', name: 'Copy a cue', note: 'its levels for others' },
  { id: 'click', name: 'Click', note: 'in the cues that want one' },
  { id: 'paper', name: 'Cue sheet on paper', note: 'who hears what, on which box' },
];

/** What everybody hears: sources against cues, written to the sends of their carriers, and every ear. */
@Component({
  selector: 'ft-cues-page',
  imports: [AnswerState, ColumnMenu, CuePanels, Menu, PartPage, Sheet, SheetCell, StatusMark],
  providers: [CueEdits, EarEdits, { provide: Deeds, useExisting: CueEdits }],
  templateUrl: './cues-page.html',
  styleUrl: './cues-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'onKey($event)' },
})
export class CuesPage {
  private readonly store = inject(Store);
  protected readonly edits = inject(CueEdits);
  protected readonly earEdits = inject(EarEdits);
  private readonly plan = this.store.selectSignal(planFeature.selectPlan);
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);
  protected readonly sheet = asked((api) => api.cueSheet());
  protected readonly panel = signal<CuePanel | undefined>(undefined);
  /** The cue whose column the keys are in, and the row. */
  protected readonly column = signal<string | undefined>(undefined);
  private readonly reachedRow = signal<string | undefined>(undefined);
  private readonly reachedEar = signal<string | undefined>(undefined);
  protected readonly sheetOf = viewChild<Sheet<CueRow>>(Sheet);
  protected readonly volumes = VOLUMES;
  protected readonly earColumns = EAR_COLUMNS;

  /** How far the lines of each cue have come, broken ones known from the findings. */
  private readonly statuses = computed((): Readonly<Record<string, ThreadStatus>> => {
    const known = new Map((this.plan()?.rows ?? []).map(({ thread, status }) => [thread.id, status]));
    return Object.fromEntries(
      (this.sheet()?.cues ?? []).flatMap(({ id, threads }) => {
        const worst = worstStatus(threads.flatMap((thread) => known.get(thread) ?? []));
        return worst === undefined ? [] : [[id, worst]];
      }),
    );
  });
  protected readonly rows = computed(() => {
    const sheet = this.sheet();
    return sheet === undefined ? [] : cueRows(sheet, this.statuses());
  });
  protected readonly columns = computed(() => {
    const sheet = this.sheet();
    return sheet === undefined ? [] : cueColumns(sheet);
  });
  protected readonly troubled = computed(() =>
    (this.sheet()?.cues ?? []).filter(({ trouble }) => trouble !== undefined),
  );
  protected readonly cue = computed(() => this.sheet()?.cues.find(({ id }) => id === this.column()));
  protected readonly source = computed(() => this.sheet()?.rows.find(({ key }) => key === this.reachedRow()));
  protected readonly ear = computed(() =>
    this.sheet()?.ears.find((ear) => this.earId(ear) === this.reachedEar()),
  );
  protected readonly more = computed((): readonly MenuItem[] => {
    const [cue, source, ear] = [this.cue(), this.source(), this.ear()];
    return [
      ...(ear === undefined || ear.isLying
        ? []
        : [{ id: 'more-me', name: `More of ${ear.performerName} for themself`, note: 'the total is kept' }]),
      ...(cue === undefined || source === undefined
        ? []
        : [
            { id: 'only', name: `${source.name} in headphones only`, note: `in ${cue.name}, out of the mix` },
          ]),
      ...MORE,
    ];
  });

  protected readonly rowId = ({ id }: CueRow): string => id;
  protected readonly earId = ({ cue, headphones }: EarView): string => `ear:${cue}:${headphones}`;
  protected readonly isStatus = (row: CueRow, { id }: SheetColumn<CueRow>): boolean =>
    row.kind === 'status' && id !== 'name' && id !== 'click';
  protected readonly selected = computed(() => {
    const selection = this.selection();
    return selection?.kind === 'thread' ? `line:${selection.id}` : undefined;
  });

  constructor() {
    this.earEdits.look = (ear) => {
      this.reachEar(ear);
      this.panel.set('heard');
    };
  }

  protected openPanel(id: string): void {
    this.panel.set(id as CuePanel);
  }

  protected turn(id: string): void {
    const does = id as Turn;
    const label = VOLUMES.find((each) => each.id === does)?.name ?? 'Volumes';
    void this.edits.make(label, { does });
  }

  protected onKey(event: KeyboardEvent): void {
    if (!event.altKey || event.ctrlKey || event.code !== 'KeyM') return;
    event.preventDefault();
    this.turn('mute-unworn');
  }

  protected reach(row: CueRow): void {
    this.reachedRow.set(row.id);
    if (row.kind === 'source' && row.row.thread !== undefined)
      this.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id: row.row.thread }, quietly: true }));
  }

  protected reachEar(ear: EarView): void {
    this.reachedEar.set(this.earId(ear));
    this.column.set(ear.cue);
    this.store.dispatch(PlanActions.select({ ref: { kind: 'device', id: ear.headphones }, quietly: true }));
  }
}

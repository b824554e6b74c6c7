import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { Store } from '@ngrx/store';
import type { JobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import type { JobId } from '@ft/core/rig/ids';
import type { JobRow } from '@ft/core/views/mix/insertsView';
import type { DayLine } from '@ft/core/views/mix/scarcityLines';
import { PartPage } from '../../../shell/part';
import { asked } from '../../../state/asked';
import { PlanActions } from '../../../state/plan.feature';
import { sheetAddress } from '../../../state/studio-api.service';
import { studioFeature } from '../../../state/studio.feature';
import { AnswerState } from '../../../ui/answer';
import { FileLink } from '../../../ui/file-link';
import type { MenuItem } from '../../../ui/menu';
import { Menu } from '../../../ui/menu';
import { ColumnMenu } from '../../../ui/sheet/column-menu';
import { Sheet } from '../../../ui/sheet/sheet';
import type { SheetEdits } from '../../../ui/sheet/sheet-column';
import { SidePanel } from '../../../ui/side-panel';
import { DeedPreview } from '../../deed-preview';
import { Deeds } from '../../deeds';
import { DAY_COLUMNS, INSERT_COLUMNS } from './insert-columns';
import { InsertEdits } from './insert-edits';
import { MixSettingsPanel } from './mix-settings-panel';
import { MonoPanel } from './mono-panel';
import { NamesPanel } from './names-panel';
import { NewJob } from './new-job';

type Panel = 'deed' | 'names' | 'settings' | 'mono' | 'paper';

const TITLES: Readonly<Partial<Record<JobDeed['does'], string>>> = {
  'bring-up': 'Bring up what is live',
  'put-up': 'Put a job up',
  'give-anew': 'Give out all channels anew',
  resolve: 'Who is committed first',
  adopt: 'Make jobs of hardware slots',
  trim: 'Trim every unit to its level',
  'tell-delays': 'Type every round trip in',
};

/** Jobs through outboard: who passes which units, over which channels, in which order, at which level. */
@Component({
  selector: 'ft-inserts-page',
  imports: [
    ...[
      AnswerState,
      ColumnMenu,
      DeedPreview,
      FileLink,
      Menu,
      MixSettingsPanel,
      MonoPanel,
      NamesPanel,
      NewJob,
    ],
    ...[PartPage, Sheet, SidePanel],
  ],
  providers: [InsertEdits, { provide: Deeds, useExisting: InsertEdits }],
  templateUrl: './inserts-page.html',
  styleUrl: './inserts-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InsertsPage {
  private readonly store = inject(Store);
  protected readonly edits = inject(InsertEdits);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  protected readonly view = asked((api) => api.inserts());
  protected readonly panel = signal<Panel | undefined>(undefined);
  protected readonly deed = signal<JobDeed | undefined>(undefined);
  private readonly reached = signal<JobId | undefined>(undefined);
  protected readonly sheetOf = viewChild<Sheet<JobRow>>(Sheet);
  protected readonly columns = INSERT_COLUMNS;
  protected readonly dayColumns = DAY_COLUMNS;
  protected readonly titles = TITLES;
  protected readonly readOnly: SheetEdits<DayLine> = { enter: () => [] };
  protected readonly days = computed(() => this.view()?.days ?? []);
  protected readonly hasConflict = computed(
    () => this.view()?.contentions.some(({ isConflict }) => isConflict) === true,
  );
  /** The job the keys are on. */
  protected readonly row = computed(() => this.view()?.rows.find(({ id }) => id === this.reached()));
  protected readonly rowId = ({ id }: JobRow): string => `job:${id}`;
  protected readonly dayId = ({ unit }: DayLine): string => `unit:${unit}`;

  protected readonly more = computed((): readonly MenuItem[] => {
    const byHand = this.view()?.byHand ?? 0;
    return [
      { id: 'trim', name: 'Trim all', note: 'every first unit to its level, every track as loud as it is' },
      { id: 'tell-delays', name: 'Type all round trips in', note: 'as they are worked out' },
      { id: 'give-anew', name: 'Give out channels anew', note: 'what is up may move' },
      ...(byHand === 0
        ? []
        : [{ id: 'adopt', name: 'Make jobs of hardware slots', note: `${String(byHand)} filled by hand` }]),
      { id: 'mono', name: 'Mono check', note: 'the sum of both sides of stereo effects, by frequency' },
      { id: 'settings', name: 'Length, level, budget', note: 'what the mix is reckoned with' },
      { id: 'paper', name: 'Insert sheet as a file', note: 'on paper or as a table' },
    ];
  });

  protected do(id: string): void {
    if (id === 'settings' || id === 'paper' || id === 'mono') this.panel.set(id);
    else if (id === 'trim' || id === 'tell-delays' || id === 'give-anew' || id === 'adopt')
      this.look({ does: id });
  }

  /** Shows what a deed comes to before it is done. */
  protected look(deed: JobDeed): void {
    this.deed.set(deed);
    this.panel.set('deed');
  }

  protected make(what: string, deed: JobDeed): void {
    const row = this.row();
    if (row !== undefined) void this.edits.make(`${row.on}: ${what}`, deed);
  }

  protected reach({ id, thread }: JobRow): void {
    this.reached.set(id);
    if (thread !== undefined)
      this.store.dispatch(PlanActions.select({ ref: { kind: 'thread', id: thread }, quietly: true }));
  }

  protected address(file: string): string | undefined {
    const [studioId, place] = [this.studioId(), this.place()];
    return studioId === null || place === null ? undefined : sheetAddress(studioId, place, file);
  }
}

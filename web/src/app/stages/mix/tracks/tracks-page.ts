import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { Store } from '@ngrx/store';
import type { TableReading } from '@ft/core/formats/csv/tableReading';
import { slotText } from '@ft/core/typed/track/insertsText';
import type { TrackRow } from '@ft/core/views/mix/trackView';
import { studioFeature } from '../../../state/studio.feature';
import { TableExchange } from '../../../ui/table-exchange/table-exchange';
import { saveText } from '../../../ui/save-text';
import { PlanActions, planFeature } from '../../../state/plan.feature';
import { Changes } from '../../../state/changes';
import type { Ordered } from '../../../ui/order-list';
import { OrderList } from '../../../ui/order-list';
import { SidePanel } from '../../../ui/side-panel';
import { ColumnMenu } from '../../../ui/sheet/column-menu';
import { Sheet } from '../../../ui/sheet/sheet';
import { TrackCellEdits } from './track-cell-edits';
import type { TrackColumn } from './track-columns';
import { SELDOM, TRACK_COLUMNS_SHOWN } from './track-columns';
import { BusPanel } from './bus-panel';
import { DawChanges } from './daw-changes';
import { HostPanel } from './host-panel';
import { TemplateForm } from './template-form';
import { AnswerState } from '../../../ui/answer';
import { PartPage } from '../../../shell/part';

type Panel = 'tracks' | 'buses' | 'host' | 'list' | 'order';

/** The session's tracks as their host sees them. A cell is typed; the row says where it leads in the rig. */
@Component({
  selector: 'ft-tracks-page',
  imports: [
    AnswerState,
    ColumnMenu,
    BusPanel,
    HostPanel,
    OrderList,
    PartPage,
    Sheet,
    SidePanel,
    TableExchange,
    TemplateForm,
  ],
  providers: [TrackCellEdits],
  templateUrl: './tracks-page.html',
  styles: `
    .first {
      margin: 0 auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TracksPage {
  private readonly store = inject(Store);
  private readonly all = inject(Changes);
  protected readonly edits = inject(TrackCellEdits);
  protected readonly changes = inject(DawChanges);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);
  /** What is open over the right edge. */
  protected readonly open = signal<Panel | undefined>(undefined);
  protected readonly reading = signal<TableReading | undefined>(undefined);
  protected readonly told = this.edits.rows;
  protected readonly rows = computed(() => this.told() ?? []);
  protected readonly rowId = ({ track }: TrackRow): string => track.id;
  protected readonly sheet = viewChild<Sheet<TrackRow>>(Sheet);

  /** The VCA column is there once there is one to follow; what is seldom used is folded while it is empty. */
  protected readonly columns = computed(() => {
    const rows = this.rows();
    const isFolded = ({ id, text }: TrackColumn): boolean =>
      SELDOM.has(id) && rows.every((row) => text(row) === '');
    return TRACK_COLUMNS_SHOWN.filter(
      ({ id }) => id !== 'vca' || rows.some(({ track }) => track.kind === 'vca'),
    ).map((column) => (isFolded(column) ? { ...column, isFolded: true } : column));
  });
  protected readonly selected = computed(() => {
    const selection = this.selection();
    return selection?.kind === 'track'
      ? this.rows().find(({ track }) => track.id === selection.id)
      : undefined;
  });

  protected readonly slots = computed((): readonly Ordered[] =>
    (this.selected()?.track.inserts ?? []).map((slot, at) => {
      const name = slot === null ? 'empty' : slotText(slot, this.found()?.session.buses ?? []);
      return { id: `${String(at)} ${name}`, name };
    }),
  );

  /** Shows the levels of the selected track in the inspector, to be turned on trial. */
  protected whatIf(): void {
    this.store.dispatch(PlanActions.inspect());
  }

  protected close(): void {
    this.open.set(undefined);
  }

  protected reach({ track: { id } }: TrackRow): void {
    if (id !== this.selected()?.track.id)
      this.store.dispatch(PlanActions.select({ ref: { kind: 'track', id } }));
  }

  protected async try(text: string): Promise<void> {
    this.reading.set(await this.all.worked('Read the list', (api) => api.readTracks(text)));
  }

  protected take(): void {
    const reading = this.reading();
    if (reading?.ok !== true) return;
    this.all.make(`Track list (${String(reading.lines.length)} lines)`, reading.edits);
    this.reading.set(undefined);
    this.close();
  }

  protected async write(): Promise<void> {
    const text = await this.all.worked('Write the list', (api) => api.writeTracks());
    if (text !== undefined) saveText('tracks.csv', text, 'text/csv');
  }
}

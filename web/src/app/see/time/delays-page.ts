import type { PerformerId, SessionId } from '@ft/core/rig/ids';
import type { Edit } from '@ft/core/edits/make';
import { editAdd, editRemove, editSet } from '@ft/core/edits/make';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { formatMs, formatNumber, formatSamples } from '@ft/core/units/format';
import { idFromName } from '@ft/core/rig/ids';
import type { Performer } from '@ft/core/session/performerSchema';
import type { Session } from '@ft/core/session/sessionSchema';
import { USUAL_CUE_LIMIT_MS } from '@ft/core/session/performerSchema';
import { HEARING_TABLES } from '@ft/core/units/hearing';
import type { PerformerField } from '@ft/core/actions/time/performerCell';
import { performerCell } from '@ft/core/actions/time/performerCell';
import { refuse } from '@ft/core/text/cellReading';
import { Pick } from '../../ui/form/pick';
import type { TakingColumn } from '../../ui/sheet/cell-takers';
import { CellTakers } from '../../ui/sheet/cell-takers';
import { Reached } from '../../ui/sheet/reached';
import { Sheet } from '../../ui/sheet/sheet';
import { asked } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';
import { PartPage } from '../../shell/part';

/** What the list of names says before one is chosen. */
const NONE = { value: '', name: 'choose a name of the input list' };

/** Hardware inserts, performers and loudspeakers: how late each is, and what is allowed. */
@Component({
  selector: 'ft-delays-page',
  imports: [AnswerState, PartPage, Pick, Sheet],
  templateUrl: './delays-page.html',
  styleUrl: '../levels/stacked.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DelaysPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly time = asked((api) => api.time());
  protected readonly session = computed(() => this.found()?.session);
  protected readonly performers = computed(() => this.session()?.performers ?? []);
  protected readonly headphones = computed(
    () => this.studio()?.rig.devices.filter(({ type }) => type === 'headphones') ?? [],
  );
  /** Names of the input list that are no performer yet. */
  protected readonly others = computed(() => {
    const known = new Set(this.performers().map(({ name }) => name));
    const names = (this.session()?.threads ?? []).map(({ performer }) => performer);
    const others = [...new Set(names)].filter((name) => name !== '' && !known.has(name)).sort();
    return [NONE, ...others.map((name) => ({ value: name, name }))];
  });
  protected readonly none = NONE.value;
  protected readonly tables = HEARING_TABLES.map((value) => ({
    value: value,
    name: value.toUpperCase(),
  }));
  protected readonly ms = formatMs;
  protected readonly samples = formatSamples;

  protected readonly rowId = ({ id }: Performer): string => `performer:${id}`;
  protected readonly reached = new Reached(this.performers, this.rowId);

  protected readonly columns: readonly TakingColumn<Performer>[] = [
    { id: 'name', title: 'Performer', widthPx: 180, text: ({ name }) => name },
    this.typed('headphones', {
      ...{ title: 'Headphones', widthPx: 190, editor: 'choice' },
      text: ({ headphones }) => this.headphones().find(({ id }) => id === headphones)?.name ?? '',
      choices: () => this.headphones().map(({ name }) => name),
    }),
    {
      ...{ id: 'line', title: 'Own line', widthPx: 200 },
      text: (performer) =>
        this.heard(performer)
          .map(({ line }) => line)
          .join('; '),
    },
    {
      ...{ id: 'late', title: 'Late', widthPx: 120, isFigure: true },
      text: (performer) =>
        this.heard(performer)
          .map(({ isLate, delayMs }) => `${isLate ? '◆ ' : ''}${formatMs(delayMs)}`)
          .join('; '),
    },
    this.typed('cueLimitMs', {
      ...{ title: 'Limit', unit: 'ms', widthPx: 70, editor: 'figure', isFigure: true, isRequired: true },
      text: ({ cueLimitMs }) => formatNumber(cueLimitMs),
    }),
    this.typed('hoursADay', {
      ...{ title: 'Hours a day', widthPx: 70, editor: 'figure', isFigure: true },
      text: ({ hoursADay }) => (hoursADay === undefined ? '' : formatNumber(hoursADay)),
    }),
  ];
  protected readonly edits = new CellTakers<Performer>(
    () => this.columns,
    { one: ({ name }) => `Cues: ${name}`, many: 'Cues' },
    {
      remove: ({ id, name }) => {
        this.change(`Cues: ${name} taken off`, (session) => editRemove('performer', { session }, id));
      },
    },
  );

  protected add(name: string): void {
    if (name === '') return;
    const taken = new Set<string>(this.performers().map(({ id }) => id));
    const id = idFromName(name, taken, 'performer') as PerformerId;
    const item = { id, name, cueLimitMs: USUAL_CUE_LIMIT_MS };
    this.change(`Cues: ${name}`, (session) => editAdd('performer', { session }, item));
  }

  protected setTable(value: Session['hearingTable'] | undefined): void {
    const session = this.session();
    if (session === undefined || value === undefined) return;
    const edit = editSet('session', {}, session.id, {
      ...{ field: 'hearingTable', value, was: session.hearingTable },
    });
    this.changes.make(`Cue levels held against ${value.toUpperCase()}`, [edit]);
  }

  private typed(
    field: PerformerField,
    column: Omit<TakingColumn<Performer>, 'id' | 'take'>,
  ): TakingColumn<Performer> {
    return {
      ...column,
      id: field,
      take: (performer, text) => {
        const [session, studio] = [this.session(), this.studio()];
        return session === undefined || studio === null
          ? refuse('No session is open.')
          : performerCell(studio.rig, session, performer, field, text);
      },
    };
  }

  private heard(performer: Performer) {
    return this.time()?.performers.filter((each) => each.performer === performer.id) ?? [];
  }

  private change(label: string, edit: (session: SessionId) => Edit): void {
    const session = this.session()?.id;
    if (session !== undefined) this.changes.make(label, [edit(session)]);
  }
}

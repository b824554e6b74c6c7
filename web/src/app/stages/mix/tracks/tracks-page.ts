import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { TableReading } from '@ft/core/formats/csv/tableReading';
import type { TrackRow } from '@ft/core/views/mix/trackView';
import type { TrackField } from '@ft/core/typed/track/trackCells';
import type { Track } from '@ft/core/session/daw/trackSchema';
import { TRACK_KINDS } from '@ft/core/session/daw/trackSchema';
import { TableExchange } from '../../../ui/table-exchange/table-exchange';
import { saveText } from '../../../ui/save-text';
import { asked } from '../../../state/asked';
import { PlanActions, planFeature } from '../../../state/plan.feature';
import { Changes } from '../../../state/changes';
import { DawChanges } from './daw-changes';
import { DawHead } from './daw-head';
import { TemplateForm } from './template-form';
import { TrackTrial } from './track-trial';
import { AnswerState } from '../../../ui/answer';
import { PartPage } from '../../../shell/part';

/** Typed columns after the name, with what one would type there. */
const COLUMNS: readonly { readonly field: TrackField; readonly title: string; readonly hint: string }[] = [
  { field: 'input', title: 'Input', hint: '5, or bus Music' },
  { field: 'inserts', title: 'Inserts', hint: 'De-esser @64; hw 5' },
  { field: 'sends', title: 'Sends', hint: 'bus Plate −6 pre' },
  { field: 'faderDb', title: 'Fader dB', hint: '0' },
  { field: 'pan', title: 'Pan', hint: 'C' },
  { field: 'outputs', title: 'Outputs', hint: '1 + bus Stems' },
  { field: 'vca', title: 'VCA', hint: '' },
  { field: 'levelDbfs', title: 'Plays', hint: 'line-up' },
  { field: 'crestDb', title: 'Crest', hint: '14' },
  { field: 'recordedAtHz', title: 'Rate kHz', hint: '48' },
];

/** The session's tracks as their host sees them. A cell is typed; the row says where it leads in the rig. */
@Component({
  selector: 'ft-tracks-page',
  imports: [PartPage, AnswerState, DawHead, TableExchange, TemplateForm, TrackTrial],
  templateUrl: './tracks-page.html',
  styleUrl: './tracks-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TracksPage {
  private readonly store = inject(Store);
  private readonly all = inject(Changes);
  protected readonly changes = inject(DawChanges);
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);
  protected readonly kinds = TRACK_KINDS;
  protected readonly pasting = signal(false);
  protected readonly reading = signal<TableReading | undefined>(undefined);
  protected readonly told = asked((api) => api.trackRows());
  protected readonly rows = computed(() => this.told() ?? []);

  /** The VCA column is there once there is one to follow. */
  protected readonly columns = computed(() =>
    COLUMNS.filter(({ field }) => field !== 'vca' || this.rows().some(({ track }) => track.kind === 'vca')),
  );

  protected select(track: Track): void {
    this.store.dispatch(PlanActions.select({ ref: { kind: 'track', id: track.id } }));
  }

  protected isSelected(track: Track): boolean {
    const selection = this.selection();
    return selection?.kind === 'track' && selection.id === track.id;
  }

  protected async enter(
    row: TrackRow,
    field: TrackField,
    input: HTMLInputElement | HTMLSelectElement,
  ): Promise<void> {
    if (input.value === row.texts[field]) return;
    const taken = await this.changes.cell(row.track, field, input.value);
    input.setAttribute('aria-invalid', String(!taken));
  }

  /** Escape puts back what was there. */
  protected restore(row: TrackRow, field: TrackField, input: HTMLInputElement): void {
    input.value = row.texts[field];
    input.removeAttribute('aria-invalid');
  }

  /** Up and down go to the same column of the next track. */
  protected step(event: Event, by: number): void {
    const input = event.target as HTMLElement;
    const cell = input.closest('td');
    const row = cell?.closest('tr');
    const next = by > 0 ? row?.nextElementSibling : row?.previousElementSibling;
    const index = row === null || row === undefined || cell == null ? -1 : [...row.children].indexOf(cell);
    next?.children[index]?.querySelector<HTMLElement>('input, select')?.focus();
    event.preventDefault();
  }

  protected async try(text: string): Promise<void> {
    this.reading.set(await this.all.worked('Read the list', (api) => api.readTracks(text)));
  }

  protected take(): void {
    const reading = this.reading();
    if (reading?.ok !== true) return;
    this.changes.change(`Track list (${String(reading.lines.length)} lines)`, reading.edits);
    this.reading.set(undefined);
    this.pasting.set(false);
  }

  protected async write(): Promise<void> {
    const text = await this.all.worked('Write the list', (api) => api.writeTracks());
    if (text !== undefined) saveText('tracks.csv', text, 'text/csv');
  }
}

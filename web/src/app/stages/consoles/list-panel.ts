import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { TableReading } from '@ft/core/formats/csv/tableReading';
import type { ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { Changes } from '../../state/changes';
import { sheetAddress } from '../../state/studio-api.service';
import { studioFeature } from '../../state/studio.feature';
import { FileLink } from '../../ui/file-link';
import { saveText } from '../../ui/save-text';
import { SidePanel } from '../../ui/side-panel';
import { TableExchange } from '../../ui/table-exchange/table-exchange';

/** The sheet as a table: pasted or read, tried, taken in; and written. */
@Component({
  selector: 'ft-list-panel',
  imports: [FileLink, SidePanel, TableExchange],
  template: `
    <ft-side-panel [title]="'A table of ' + sheet().name" (closed)="closed.emit()">
      @if (paper(); as address) {
        <p><ft-file-link [address]="address">Print what this job uses (PDF)</ft-file-link></p>
      }
      <ft-table-exchange
        [name]="sheet().name"
        [columns]="columns()"
        [reading]="reading()"
        (tried)="try($event)"
        (taken)="take()"
        (wanted)="write()"
      />
    </ft-side-panel>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ListPanel {
  readonly sheet = input.required<ChannelSheetView>();
  readonly closed = output();
  private readonly changes = inject(Changes);
  protected readonly reading = signal<TableReading | undefined>(undefined);
  protected readonly columns = computed(() =>
    ['Row', ...this.sheet().columns.map(({ title }) => title)].join(', '),
  );

  private readonly store = inject(Store);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  protected readonly paper = computed(() => {
    const [studioId, place] = [this.studioId(), this.place()];
    return studioId === null || place === null
      ? undefined
      : `${sheetAddress(studioId, place, 'console.pdf')}?device=${this.sheet().device}`;
  });

  protected async try(text: string): Promise<void> {
    const { device } = this.sheet();
    this.reading.set(await this.changes.worked('Read the table', (api) => api.readChannels(device, text)));
  }

  protected take(): void {
    const reading = this.reading();
    if (reading?.ok !== true) return;
    this.changes.make(`${this.sheet().name}: table of ${String(reading.lines.length)} cells`, reading.edits);
    this.closed.emit();
  }

  protected async write(): Promise<void> {
    const { device } = this.sheet();
    const text = await this.changes.worked('Write the table', (api) => api.writeChannels(device));
    if (text !== undefined) saveText(`${device}.csv`, text, 'text/csv');
  }
}

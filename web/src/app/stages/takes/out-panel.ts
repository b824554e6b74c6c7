import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { logCounts, logCsv } from '@ft/core/formats/csv/logCsv';
import { labelsOf, writeLabels } from '@ft/core/takes/labels';
import { sheetAddress } from '../../state/studio-api.service';
import { studioFeature } from '../../state/studio.feature';
import { FileLink } from '../../ui/file-link';
import { saveText } from '../../ui/save-text';
import { SidePanel } from '../../ui/side-panel';
import { TakeLog } from './take-log';

/** The log as files: on paper, for a spreadsheet, and as labels that editors read beside a track. */
@Component({
  selector: 'ft-log-out-panel',
  imports: [FileLink, SidePanel],
  template: `
    <ft-side-panel title="The log as a file" (closed)="closed.emit()">
      <div class="stack">
        <p class="quiet">{{ counts() }}.</p>
        @if (address(); as it) {
          <p><ft-file-link [address]="it">The day on paper (PDF)</ft-file-link></p>
        }
        <p><button type="button" (click)="csv()">Table (CSV)</button></p>
        <p>
          <button type="button" (click)="labels()">Labels (tab-separated)</button>
          <span class="quiet"> Start, end and text, a line each: editors put them beside a track.</span>
        </p>
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogOutPanel {
  readonly closed = output();
  private readonly store = inject(Store);
  private readonly takes = inject(TakeLog);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  protected readonly counts = computed(() => logCounts(this.takes.log()));
  protected readonly address = computed(() => {
    const [studioId, place] = [this.studioId(), this.place()];
    return studioId === null || place === null ? undefined : sheetAddress(studioId, place, 'takes.pdf');
  });

  protected csv(): void {
    saveText(`${this.place()?.session ?? 'session'}-takes.csv`, logCsv(this.takes.log()), 'text/csv');
  }

  protected labels(): void {
    const text = writeLabels(labelsOf(this.takes.log()));
    saveText(`${this.place()?.session ?? 'session'}-labels.txt`, text, 'text/plain');
  }
}

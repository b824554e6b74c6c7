import { editAdd, editRemove, editSet } from '@ft/core/edits/make';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { LineUpRow } from '@ft/core/views/levels/lineUpSheet';
import { formatGain, formatLevel } from '@ft/core/units/format';
import { typedNumber } from '@ft/core/text/typedNumber';
import { sheetAddress } from '../../state/api.service';
import { asked } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import { FileLink } from '../../ui/file-link';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';
import { PartPage } from '../../shell/part';

const KINDS: Readonly<Record<LineUpRow['kind'], string>> = {
  output: 'Outputs: send from the DAW, read at the connector',
  input: 'Inputs: send into the connector, read in the DAW',
  console: 'Consoles and summing: send into the connector, read at the direct out or the bus',
};

/** The tones to send, what to expect, what was read, and the error. */
@Component({
  selector: 'ft-line-up-page',
  imports: [PartPage, AnswerState, FileLink],
  templateUrl: './line-up-page.html',
  styleUrl: './stacked.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LineUpPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  protected readonly rows = asked((api) => api.lineUp());
  protected readonly groups = computed(() =>
    (Object.keys(KINDS) as LineUpRow['kind'][])
      .map((kind) => ({ title: KINDS[kind], rows: (this.rows() ?? []).filter((row) => row.kind === kind) }))
      .filter(({ rows }) => rows.length > 0),
  );
  protected readonly level = formatLevel;
  protected readonly gain = formatGain;

  protected address(): string {
    const [studioId, place] = [this.studioId(), this.place()];
    return studioId === null || place === null ? '' : sheetAddress(studioId, place, 'line-up.pdf');
  }

  /** Keeps what was read; an emptied field takes the reading back. */
  protected enter(row: LineUpRow, field: HTMLInputElement): void {
    const session = this.place()?.session;
    const text = field.value.trim();
    const value = typedNumber(text);
    if (text !== '' && (value === undefined || value < -150 || value > 60)) {
      const told = `“${text}” is not a level. Type what the meter shows, in ${row.expectUnit}.`;
      this.changes.complain(told);
      return;
    }
    const label = `Line-up: ${row.name} read ${text === '' ? 'again' : text}`;
    if (session === undefined) return;
    const [place, id, was] = [{ session }, row.station, row.read];
    const edits =
      was === undefined
        ? value === undefined
          ? []
          : [editAdd('reading', place, { id, level: value })]
        : value === undefined
          ? [editRemove('reading', place, id)]
          : [editSet('reading', place, id, { field: 'level', value, was })];
    if (edits.length > 0) this.changes.make(label, edits);
  }
}

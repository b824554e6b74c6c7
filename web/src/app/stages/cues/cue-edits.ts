import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Remote } from 'comlink';
import type { ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import type { CueEntry } from '@ft/core/actions/cues/cueCells';
import type { CueDeed } from '@ft/core/actions/cues/cueDeed';
import { markedClick } from '@ft/core/actions/cues/markedClick';
import type { CueId } from '@ft/core/rig/ids';
import { cellsLabel, enterCells } from '../../state/enter-cells';
import { studioFeature } from '../../state/studio.feature';
import type { PlannerApi } from '../../workers/planner-api';
import { Deeds } from '../deeds';
import type {
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from '../../ui/sheet/sheet-column';
import type { CueRow } from './cue-row';

type Column = SheetColumn<CueRow>;
type Entry = SheetEntry<CueRow>;

const nameOf = (row: CueRow): string => (row.kind === 'status' ? 'status' : row.row.name);

/** Turns what a person does on the cue sheet into changes. */
@Injectable()
export class CueEdits extends Deeds<CueDeed> implements SheetEdits<CueRow> {
  private readonly found = inject(Store).selectSignal(studioFeature.selectFound);

  async enter(entries: readonly Entry[], way: SheetWay): Promise<readonly SheetRefusal<CueRow>[]> {
    const [first] = entries;
    if (first === undefined) return [];
    const cells = entries.map(({ row, column, text }): CueEntry => ({
      ...{ source: row.id, cue: column.id as CueId, text },
    }));
    const label =
      entries.length === 1
        ? `${first.column.title} cue: ${nameOf(first.row)} ${first.text}`.trim()
        : `Cues: ${cellsLabel(cells.length, way)}`;
    return enterCells(this.changes, label, entries, (api) => api.cueCells(cells));
  }

  /** Space on a send turns it on as it was, or off; on the last column it says what the click is. */
  toggle(row: CueRow, column: Column): void {
    if (row.kind === 'status' || column.isShut?.(row) === true) return;
    const text = column.text(row);
    if (column.id === 'click') this.markClick(row, text !== 'on');
    else if (row.kind === 'bus')
      void this.enter([{ row, column, text: text === 'on' ? 'off' : 'on' }], 'typed');
    else void this.enter([{ row, column, text: text === 'off' ? 'pre' : 'off' }], 'typed');
  }

  private markClick(row: CueRow, isClick: boolean): void {
    const session = this.found()?.session;
    if (session === undefined) return;
    this.changes.make(
      `${nameOf(row)} ${isClick ? 'is the click' : 'is no click'}`,
      markedClick(session, row.id, isClick),
    );
  }

  plan(api: Remote<PlannerApi>, deed: CueDeed): Promise<ChannelPlan> {
    return api.cueDeed(deed);
  }
}

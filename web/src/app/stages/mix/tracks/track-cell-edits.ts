import { inject, Injectable } from '@angular/core';
import type { TrackCell, TrackFlag } from '@ft/core/actions/mix/trackCellsEdits';
import { nameMatches } from '@ft/core/text/nameMatch';
import type { TrackRow } from '@ft/core/views/mix/trackView';
import { asked } from '../../../state/asked';
import { Changes } from '../../../state/changes';
import { cellsLabel, enterCells } from '../../../state/enter-cells';
import type {
  SheetChoice,
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from '../../../ui/sheet/sheet-column';
import { DawChanges } from './daw-changes';
import { namesFor } from './track-columns';

type Column = SheetColumn<TrackRow>;
type Entry = SheetEntry<TrackRow>;

/** Turns what a person does in the cells of the track sheet into changes. */
@Injectable()
export class TrackCellEdits implements SheetEdits<TrackRow> {
  private readonly changes = inject(Changes);
  private readonly tracks = inject(DawChanges);
  readonly rows = asked((api) => api.trackRows());

  async enter(entries: readonly Entry[], way: SheetWay): Promise<readonly SheetRefusal<TrackRow>[]> {
    const [first] = entries;
    if (first === undefined) return [];
    const cells = entries.map(({ row, column, text }): TrackCell => ({
      ...{ track: row.track.id, field: column.id as TrackCell['field'], text },
    }));
    const label =
      cells.length === 1
        ? `${first.row.track.name}: ${first.column.title.toLowerCase()}`
        : `Tracks: ${cellsLabel(cells.length, way)}`;
    return enterCells(this.changes, label, entries, (api) => api.trackCells(cells));
  }

  search(_: TrackRow, { id }: Column, text: string): Promise<readonly SheetChoice[]> {
    const names = namesFor(id, this.rows() ?? []).filter((name) => nameMatches(name, text));
    return Promise.resolve(names.map((name) => ({ id: name, name })));
  }

  choose(row: TrackRow, column: Column, { name }: SheetChoice): void {
    void this.enter([{ row, column, text: name }], 'typed');
  }

  toggle({ track }: TrackRow, { id, editor }: Column): void {
    if (editor === 'switch') this.tracks.flag(track, id as TrackFlag, !track[id as TrackFlag]);
  }

  move({ track }: TrackRow, by: number): void {
    this.tracks.move(track, by);
  }

  remove({ track }: TrackRow): void {
    void this.tracks.removeTrack(track);
  }
}

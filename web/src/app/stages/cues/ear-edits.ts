import { inject, Injectable } from '@angular/core';
import type { EarEntry, EarField } from '@ft/core/actions/cues/earCell';
import type { EarView } from '@ft/core/views/cues/earView';
import { nameMatches } from '@ft/core/text/nameMatch';
import { Changes } from '../../state/changes';
import { cellsLabel, enterCells } from '../../state/enter-cells';
import type {
  SheetChoice,
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from '../../ui/sheet/sheet-column';
import { Planner } from '../../workers/planner.service';

type Column = SheetColumn<EarView>;

/** Turns what a person does in the list of ears into changes. */
@Injectable()
export class EarEdits implements SheetEdits<EarView> {
  private readonly changes = inject(Changes);
  private readonly planner = inject(Planner);
  /** What Enter on an ear does: show what is heard there. */
  look: (ear: EarView) => void = () => undefined;

  async enter(
    entries: readonly SheetEntry<EarView>[],
    way: SheetWay,
  ): Promise<readonly SheetRefusal<EarView>[]> {
    const [first] = entries;
    if (first === undefined) return [];
    const cells = entries.map(({ row, column, text }): EarEntry => ({
      ...{ cue: row.cue, headphones: row.headphones, field: column.id as EarField, text },
    }));
    const label =
      entries.length === 1
        ? `${first.row.name}: ${first.column.title.toLowerCase()} ${first.text}`.trim()
        : `Ears: ${cellsLabel(cells.length, way)}`;
    return enterCells(this.changes, label, entries, (api) => api.earCells(cells));
  }

  async search(_row: EarView, column: Column, text: string): Promise<readonly SheetChoice[]> {
    const names =
      column.id === 'who'
        ? ['nobody', ...(await this.planner.api.wearers())]
        : await this.planner.api.openMicrophones();
    return names.filter((name) => nameMatches(name, text)).map((name) => ({ id: name, name }));
  }

  choose(row: EarView, column: Column, { name }: SheetChoice): void {
    void this.enter([{ row, column, text: name }], 'typed');
  }

  toggle(row: EarView, column: Column): void {
    if (column.editor !== 'switch') return;
    void this.enter([{ row, column, text: column.text(row) === 'on' ? 'off' : 'on' }], 'typed');
  }

  open(row: EarView): void {
    this.look(row);
  }
}

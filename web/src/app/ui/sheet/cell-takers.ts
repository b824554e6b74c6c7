import { inject } from '@angular/core';
import type { Edit } from '@ft/core/edits/make';
import type { CellReading } from '@ft/core/text/cellReading';
import { nameMatches } from '@ft/core/text/nameMatch';
import { Changes } from '../../state/changes';
import { cellsLabel } from '../../state/enter-cells';
import type {
  SheetChoice,
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from './sheet-column';

/** A column whose cells are taken over one by one: what a text comes to does not depend on other cells. */
export interface TakingColumn<R> extends SheetColumn<R> {
  readonly take?: (row: R, text: string) => CellReading<readonly Edit[]>;
  /** The texts that can stand in a cell of kind `choice`. */
  readonly choices?: (row: R) => readonly string[];
}

interface Names<R> {
  /** What a row is called in the history. */
  readonly one: (row: R) => string;
  readonly many: string;
}

/** Takes texts over into the cells of a sheet of taking columns, as one change. */
export class CellTakers<R> implements SheetEdits<R> {
  private readonly changes = inject(Changes);
  readonly open?: (row: R, column: SheetColumn<R>) => void;
  readonly move?: (row: R, by: number) => void;
  readonly remove?: (row: R) => void;

  /** In an injection context. @param more what else can be done with a row. */
  constructor(
    private readonly columns: () => readonly TakingColumn<R>[],
    private readonly names: Names<R>,
    { move, open, remove }: Pick<SheetEdits<R>, 'move' | 'open' | 'remove'> = {},
  ) {
    if (move !== undefined) this.move = move;
    if (open !== undefined) this.open = open;
    if (remove !== undefined) this.remove = remove;
  }

  enter(entries: readonly SheetEntry<R>[], way: SheetWay): readonly SheetRefusal<R>[] {
    const refused: SheetRefusal<R>[] = [];
    const edits = entries.flatMap((entry): readonly Edit[] => {
      const read = this.columnOf(entry.column)?.take?.(entry.row, entry.text);
      if (read?.ok === false) refused.push({ entry, sentence: read.sentence });
      return read?.ok === true ? read.value : [];
    });
    const [first] = entries;
    if (first !== undefined)
      this.changes.make(
        entries.length === 1
          ? `${this.names.one(first.row)}: ${first.column.title.toLowerCase()}`
          : `${this.names.many}: ${cellsLabel(entries.length, way)}`,
        edits,
      );
    return refused;
  }

  search(row: R, column: SheetColumn<R>, text: string): Promise<readonly SheetChoice[]> {
    const names = this.columnOf(column)?.choices?.(row) ?? [];
    return Promise.resolve(
      names.filter((name) => nameMatches(name, text)).map((name) => ({ id: name, name })),
    );
  }

  toggle(row: R, column: SheetColumn<R>): void {
    if (column.editor !== 'switch') return;
    this.enter([{ row, column, text: column.text(row) === 'on' ? 'off' : 'on' }], 'typed');
  }

  choose(row: R, column: SheetColumn<R>, { name }: SheetChoice): void {
    this.enter([{ row, column, text: name }], 'typed');
  }

  private columnOf({ id }: SheetColumn<R>): TakingColumn<R> | undefined {
    return this.columns().find((column) => column.id === id);
  }
}

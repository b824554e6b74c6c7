import type { SheetColumn, SheetEntry } from './sheet-column';
import { isOpen } from './sheet-column';
import type { PlacedText, SheetPlace, SheetRange } from './sheet-range';
import { columnsIn, isOneCell, rowsIn } from './sheet-range';

/** What is counted on down: rows from the first on, and the columns it is done in. */
export interface CountedRange<R> {
  readonly rows: readonly R[];
  readonly columns: readonly SheetColumn<R>[];
}

/** The cells of a sheet by place: what stands in them, and what would be entered. */
export class SheetCells<R> {
  constructor(
    private readonly rows: () => readonly R[],
    private readonly columns: () => readonly SheetColumn<R>[],
  ) {}

  at({ row, column }: SheetPlace): { readonly row: R; readonly column: SheetColumn<R> } | undefined {
    const [there, shown] = [this.rows()[row], this.columns()[column]];
    return there === undefined || shown === undefined ? undefined : { row: there, column: shown };
  }

  /** The texts of a range, row by row. */
  texts(range: SheetRange): readonly (readonly string[])[] {
    return rowsIn(range).map((row) => columnsIn(range).map((column) => this.text({ row, column }) ?? ''));
  }

  /** What stands in the first row of the range, for the others; of one row, what stands above it. */
  filled(range: SheetRange): readonly SheetEntry<R>[] {
    const from = range.top === range.bottom ? range.top - 1 : range.top;
    const rows = rowsIn(range).filter((row) => row !== from);
    return this.entries(
      rows.flatMap((row) =>
        columnsIn(range).flatMap((column): PlacedText[] => {
          const text = this.text({ row: from, column });
          return text === undefined ? [] : [{ row, column, text }];
        }),
      ),
    );
  }

  /** The rows and columns of a range; of one row, with the one above it. */
  counted(range: SheetRange): CountedRange<R> {
    const top = range.top === range.bottom ? Math.max(0, range.top - 1) : range.top;
    return {
      rows: rowsIn({ ...range, top }).flatMap((row) => this.rows()[row] ?? []),
      columns: columnsIn(range).flatMap((column) => this.columns()[column] ?? []),
    };
  }

  /** Nothing, for every cell of the range that can be empty. */
  cleared(range: SheetRange): readonly SheetEntry<R>[] {
    return this.entries(
      rowsIn(range).flatMap((row) => columnsIn(range).map((column) => ({ row, column, text: '' }))),
    ).filter(({ column }) => column.isRequired !== true);
  }

  /** Texts for cells that are there, can be edited, and hold something else now. */
  entries(placed: readonly PlacedText[]): readonly SheetEntry<R>[] {
    return placed.flatMap((place) => {
      const cell = this.at(place);
      const isMeant =
        cell !== undefined && isOpen(cell.column, cell.row) && cell.column.text(cell.row) !== place.text;
      return isMeant ? [{ ...cell, text: place.text }] : [];
    });
  }

  /** The one cell of a range, where it is one. */
  only(range: SheetRange): ReturnType<SheetCells<R>['at']> {
    return isOneCell(range) ? this.at({ row: range.top, column: range.left }) : undefined;
  }

  private text(place: SheetPlace): string | undefined {
    const cell = this.at(place);
    return cell?.column.text(cell.row);
  }
}

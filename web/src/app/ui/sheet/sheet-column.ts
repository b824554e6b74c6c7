/** A column of a sheet: what stands in its cells, and how they are edited. */
export interface SheetColumn<R> {
  /** Stays when titles change: widths, hidden columns and drafts are kept by it. */
  readonly id: string;
  readonly title: string;
  /** Stands under the title, quiet. */
  readonly unit?: string;
  /** What the column is for, shown where the pointer rests. */
  readonly hint?: string;
  readonly widthPx: number;
  /** Figures stand right-aligned in figures of one width. */
  readonly isFigure?: boolean;
  /** Out of sight until somebody wants it. */
  readonly isFolded?: boolean;
  /** Stays in sight at the right edge where the sheet is wider than the window. */
  readonly isPinned?: boolean;
  /** Stays in sight at the left edge: what the row is. */
  readonly isLeading?: boolean;
  /** Cannot be empty, so that emptying a range leaves it alone. */
  readonly isRequired?: boolean;
  /** What says that nothing is there is shown less. */
  readonly isQuiet?: (row: R) => boolean;
  /** Whether a row has nothing to edit in this column. */
  readonly isShut?: (row: R) => boolean;
  /** How a cell is edited; one without is only read. */
  readonly editor?: 'text' | 'figure' | 'choice' | 'switch';
  /** What a cell holds, as it is typed, copied and pasted. */
  readonly text: (row: R) => string;
}

/** Whether somebody can change a cell. */
export const isOpen = <R>({ editor, isShut }: SheetColumn<R>, row: R): boolean =>
  editor !== undefined && isShut?.(row) !== true;

/** A text meant for a cell. */
export interface SheetEntry<R> {
  readonly row: R;
  readonly column: SheetColumn<R>;
  readonly text: string;
}

/** Why a text was not taken: the sentence says what would fit. */
export interface SheetRefusal<R> {
  readonly entry: SheetEntry<R>;
  readonly sentence: string;
}

/** Something that could go into a cell, found by what was typed. */
export interface SheetChoice {
  readonly id: string;
  readonly name: string;
  /** What it would mean. */
  readonly note?: string;
  /** Why it cannot be chosen. */
  readonly because?: string;
}

/** How texts came: each is one change, and one undo takes it back. */
export type SheetWay = 'typed' | 'pasted' | 'filled' | 'cleared';

/** What a page does with what is done on its sheet. */
export interface SheetEdits<R> {
  /** Takes texts over as one change. @returns those that do not fit. */
  enter(
    entries: readonly SheetEntry<R>[],
    way: SheetWay,
  ): readonly SheetRefusal<R>[] | Promise<readonly SheetRefusal<R>[]>;
  /** Ctrl Shift D: counts on down a range, from what stands in its first row. */
  countOn?(rows: readonly R[], columns: readonly SheetColumn<R>[]): void;
  /** What can go into a cell of kind `choice`, best first. */
  search?(row: R, column: SheetColumn<R>, text: string): Promise<readonly SheetChoice[]>;
  choose?(row: R, column: SheetColumn<R>, choice: SheetChoice): void;
  /** Space on a cell: throws its switch, or pins what stands there. */
  toggle?(row: R, column: SheetColumn<R>): void;
  /** Delete on one cell, where that is more than an empty text. @returns whether it was done. */
  clear?(row: R, column: SheetColumn<R>): boolean;
  /** Enter on a cell that is only read. */
  open?(row: R, column: SheetColumn<R>): void;
  /** Puts a row so many rows further down, or up: dragged by its grip, or with Alt and the arrow keys. */
  move?(row: R, by: number): void;
  /** Ctrl Delete. */
  remove?(row: R): void;
}

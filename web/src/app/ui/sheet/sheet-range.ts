/** A cell by its place in the sheet, from 0. */
export interface SheetPlace {
  readonly row: number;
  readonly column: number;
}

/** Cells from one corner to the other, both included. */
export interface SheetRange {
  readonly top: number;
  readonly bottom: number;
  readonly left: number;
  readonly right: number;
}

export const rangeOf = (a: SheetPlace, b: SheetPlace): SheetRange => ({
  top: Math.min(a.row, b.row),
  bottom: Math.max(a.row, b.row),
  left: Math.min(a.column, b.column),
  right: Math.max(a.column, b.column),
});

export const isInside = ({ top, bottom, left, right }: SheetRange, row: number, column: number): boolean =>
  row >= top && row <= bottom && column >= left && column <= right;

export const isOneCell = ({ top, bottom, left, right }: SheetRange): boolean =>
  top === bottom && left === right;

/** The place nearest to one that is in a sheet of so many rows and columns. */
export const within = ({ row, column }: SheetPlace, rows: number, columns: number): SheetPlace => ({
  row: Math.max(0, Math.min(row, rows - 1)),
  column: Math.max(0, Math.min(column, columns - 1)),
});

const upTo = (from: number, to: number): readonly number[] =>
  Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i);

/** The rows and columns of a range, in order. */
export const rowsIn = ({ top, bottom }: SheetRange): readonly number[] => upTo(top, bottom);
export const columnsIn = ({ left, right }: SheetRange): readonly number[] => upTo(left, right);

/** A text and the place it goes to. */
export interface PlacedText extends SheetPlace {
  readonly text: string;
}

/**
 * Where pasted rows of texts go: from the upper left corner of the range on; one text alone fills the range, and
 * rows repeat as often as they fit into it.
 */
export function spread(texts: readonly (readonly string[])[], range: SheetRange): readonly PlacedText[] {
  const width = Math.max(0, ...texts.map((line) => line.length));
  if (width === 0) return [];
  const times = (room: number, size: number): number => (room % size === 0 ? room / size : 1);
  const down = times(range.bottom - range.top + 1, texts.length);
  const along = times(range.right - range.left + 1, width);
  return upTo(1, down).flatMap((n) =>
    texts.flatMap((line, r) =>
      upTo(1, along).flatMap((m) =>
        line.map((text, c) => ({
          row: range.top + (n - 1) * texts.length + r,
          column: range.left + (m - 1) * width + c,
          text,
        })),
      ),
    ),
  );
}

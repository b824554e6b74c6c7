import Papa from 'papaparse';

/** A column of a table that is read and written: its title, and other titles people give it. */
export interface CsvColumn {
  readonly title: string;
  readonly also?: readonly string[];
  readonly required: boolean;
}

/** One line of a table. Line and column are counted from 1, as a spreadsheet does. */
export interface CsvRow {
  readonly line: number;
  cell(title: string): string;
  columnOf(title: string): number;
}

/** What is wrong at one cell, and what would fit. Sentences are made where the figures are known. */
export interface CsvProblem {
  readonly line: number;
  readonly column: number;
  readonly sentence: string;
}

export type CsvTable =
  | { readonly ok: true; readonly rows: readonly CsvRow[] }
  | { readonly ok: false; readonly problem: CsvProblem };

const plain = (text: string): string => text.trim().toLowerCase();

/** A cell that a spreadsheet would have taken for a formula got an apostrophe when it was written. */
const unescaped = (cell: string): string => cell.replace(/^'(?=[=+\-@\t\r])/, '').trim();

const isTitle = (column: CsvColumn, cell: string): boolean =>
  [column.title, ...(column.also ?? [])].some((title) => plain(title) === plain(cell));

/** Where each column stands: by the titles in the first line, or, without titles, in the order given. */
function placesOf(
  columns: readonly CsvColumn[],
  first: readonly string[],
): ReadonlyMap<string, number> | undefined {
  const titled = columns.some((column) => first.some((cell) => isTitle(column, cell)));
  if (!titled) return undefined;
  return new Map(columns.map((column) => [column.title, first.findIndex((cell) => isTitle(column, cell))]));
}

/**
 * Reads a table from CSV (RFC 4180) or from cells pasted out of a spreadsheet, whatever separates them:
 * comma, semicolon or tab. A first line with titles says which column is which; without one they are
 * taken in order.
 */
// eslint-disable-next-line max-lines-per-function -- what can be wrong with a table, in the order it is met
export function readCsv(text: string, columns: readonly CsvColumn[]): CsvTable {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimitersToGuess: ['\t', ',', ';'],
    skipEmptyLines: false,
  });
  const lines = data.map((cells, i) => ({ cells, line: i + 1 }));
  const filled = lines.filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const [head] = filled;
  if (head === undefined)
    return {
      ok: false,
      problem: {
        line: 1,
        column: 1,
        sentence: 'There is nothing in it. Paste or choose a table with at least one line.',
      },
    };
  const titles = placesOf(columns, head.cells);
  const places = titles ?? new Map(columns.map(({ title }, i) => [title, i]));
  const missing = columns.find(({ title, required }) => required && (places.get(title) ?? -1) < 0);
  if (missing !== undefined) {
    const wanted = columns.map(({ title }) => title).join(', ');
    return {
      ok: false,
      problem: {
        line: head.line,
        column: 1,
        sentence: `There is no column “${missing.title}”. The columns are: ${wanted}.`,
      },
    };
  }
  const rows = (titles === undefined ? filled : filled.slice(1)).map(({ cells, line }): CsvRow => ({
    line,
    cell: (title) => unescaped(cells[places.get(title) ?? -1] ?? ''),
    columnOf: (title) => (places.get(title) ?? 0) + 1,
  }));
  return { ok: true, rows };
}

/**
 * Writes a table as CSV after RFC 4180: CRLF line ends, quotes doubled. A cell that a spreadsheet would
 * take for a formula (it starts with = + - @, a tab or a carriage return) gets an apostrophe.
 */
export const writeCsv = (titles: readonly string[], rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse({ fields: [...titles], data: rows.map((row) => [...row]) }, { newline: '\r\n', escapeFormulae: true })}\r\n`;

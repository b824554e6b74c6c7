import type { Edit } from '../../edits/make';
import type { CsvProblem } from './csvTable';

/** What one line of a table will do. */
export interface TableLine {
  readonly line: number;
  readonly change: 'new' | 'changed' | 'there';
  readonly text: string;
}

/**
 * A table read against the studio, before anything is done: what each line will do and the edits that do
 * it, or every problem found. With a problem nothing is done.
 */
export type TableReading =
  | { readonly ok: true; readonly lines: readonly TableLine[]; readonly edits: readonly Edit[] }
  | { readonly ok: false; readonly problems: readonly CsvProblem[] };

/** "Line 412, column 3: …" */
export const csvProblemLine = ({ line, column, sentence }: CsvProblem): string =>
  `Line ${line}, column ${column}: ${sentence}`;

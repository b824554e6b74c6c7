import type { PatchLine } from '../views/bay/patchList';
import { writeCsv } from './csv/csvTable';

const COLUMNS: readonly (readonly [string, (line: PatchLine) => string])[] = [
  ['Room', (line) => line.room],
  ['From', (line) => line.from],
  ['To', (line) => line.to],
  ['Cord', (line) => line.cordKind],
  ['Thread', (line) => line.thread],
  ['Breaks normal', (line) => line.breaks.join('; ')],
  ['Why', (line) => line.why],
  ['Plugged', (line) => (line.plugged ? 'yes' : 'no')],
];

/** The patch list as CSV. */
export const patchListCsv = (lines: readonly PatchLine[]): string =>
  writeCsv(
    COLUMNS.map(([title]) => title),
    lines.map((line) => COLUMNS.map(([, cell]) => cell(line))),
  );

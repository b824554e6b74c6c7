import Papa from 'papaparse';
import type { PatchLine } from '../plan/patchList';

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

/**
 * The patch list as CSV after RFC 4180: CRLF line ends, quotes doubled. A cell that a spreadsheet
 * would take for a formula (it starts with = + - @, a tab or a carriage return) gets an apostrophe.
 */
export function patchListCsv(lines: readonly PatchLine[]): string {
  const rows = lines.map((line) => COLUMNS.map(([, cell]) => cell(line)));
  const fields = COLUMNS.map(([title]) => title);
  return `${Papa.unparse({ fields, data: rows }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

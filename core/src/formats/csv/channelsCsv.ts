import type { ChannelEntry } from '../../actions/consoles/channelPlan';
import { didYouMean, nearestNames } from '../../text/nearestName';
import type { ChannelRowView, ChannelSheetView } from '../../views/consoles/channelSheetView';
import type { CsvColumn, CsvProblem, CsvRow } from './csvTable';
import { readCsv, writeCsv } from './csvTable';

const ROW = 'Row';
/** Told beside the knobs, and not read back: they follow from what is patched. */
const CARRIES = 'Carries';
const UNIT = 'Unit in it';
const LEADS = 'Leads to';

/** The columns of a channel sheet as a table. */
export const channelTitles = ({ columns }: Pick<ChannelSheetView, 'columns'>): readonly string[] => [
  ROW,
  CARRIES,
  ...columns.map(({ title }) => title),
  UNIT,
  LEADS,
];

/** A channel sheet as CSV: every row with what stands in its cells. A cell a row does not have is empty. */
export const channelsCsv = (sheet: ChannelSheetView): string =>
  writeCsv(
    channelTitles(sheet),
    sheet.rows.map(({ name, carries, texts, unit, leads }) => [
      ...[name, carries],
      ...sheet.columns.map(({ id }) => texts[id] ?? ''),
      ...[unit, leads],
    ]),
  );

/** A cell of the table with where it stood. */
export interface ReadChannel {
  readonly entry: ChannelEntry;
  readonly line: number;
  readonly column: number;
}

export type ReadChannels =
  | { readonly ok: true; readonly cells: readonly ReadChannel[] }
  | { readonly ok: false; readonly problems: readonly CsvProblem[] };

function readRow(row: CsvRow, sheet: ChannelSheetView, by: ReadonlyMap<string, ChannelRowView>) {
  const name = row.cell(ROW);
  const there = by.get(name.toLowerCase());
  if (there === undefined) {
    const names = nearestNames(
      name,
      sheet.rows.map((each) => each.name),
    );
    const sentence = `${sheet.name} has no row “${name}”.${didYouMean(names)}`;
    return { problem: { line: row.line, column: row.columnOf(ROW), sentence } };
  }
  const cells = sheet.columns.flatMap(({ id, title }): readonly ReadChannel[] => {
    // A column that is not in the table is not meant, and neither is an empty cell.
    const text = row.columnOf(title) > 0 ? row.cell(title) : '';
    if (text === '' || text === there.texts[id]) return [];
    return [{ entry: { row: there.id, column: id, text }, line: row.line, column: row.columnOf(title) }];
  });
  return { cells };
}

/** Reads a table of channels: rows by their names, columns by their titles; what is empty stays as it is. */
export function readChannelsCsv(text: string, sheet: ChannelSheetView): ReadChannels {
  const columns: readonly CsvColumn[] = channelTitles(sheet).map((title) => ({
    title,
    required: title === ROW,
  }));
  const table = readCsv(text, columns);
  if (!table.ok) return { ok: false, problems: [table.problem] };
  const byName = new Map(sheet.rows.map((row) => [row.name.toLowerCase(), row]));
  const read = table.rows.map((row) => readRow(row, sheet, byName));
  const problems = read.flatMap(({ problem }) => problem ?? []);
  return problems.length > 0
    ? { ok: false, problems }
    : { ok: true, cells: read.flatMap(({ cells }) => cells ?? []) };
}

import type { Edit } from '../../edits/make';
import { editSet } from '../../edits/make';
import type { Device, Rig } from '../../rig/rigSchema';
import { didYouMean, nearestNames } from '../../text/nearestName';
import type { CsvColumn, CsvProblem, CsvRow } from './csvTable';
import { readCsv, writeCsv } from './csvTable';
import type { TableLine, TableReading } from './tableReading';

const COLUMNS: readonly CsvColumn[] = [
  { title: 'Bay', required: true },
  { title: 'Column', also: ['Number'], required: true },
  { title: 'Row', required: true },
  { title: 'Label', also: ['Text'], required: true },
];
const ROWS: Readonly<Record<string, 'upper' | 'lower'>> = {
  upper: 'upper',
  top: 'upper',
  lower: 'lower',
  bottom: 'lower',
};

interface WantedLabel {
  readonly row: CsvRow;
  readonly bay: Device;
  /** "upper-3" */
  readonly place: string;
  readonly label: string;
}

const labelsOf = (bay: Device): Readonly<Record<string, string>> =>
  bay.params['labels'] as Readonly<Record<string, string>>;

/** What one line says, or what is wrong with it. */
function readLine(row: CsvRow, bays: readonly Device[]): WantedLabel | CsvProblem {
  const problem = (title: string, sentence: string): CsvProblem => ({
    line: row.line,
    column: row.columnOf(title),
    sentence,
  });
  const name = row.cell('Bay');
  const bay = bays.find((each) => each.name.toLowerCase() === name.toLowerCase());
  if (bay === undefined) {
    const hint = didYouMean(
      nearestNames(
        name,
        bays.map((each) => each.name),
      ),
    );
    return problem('Bay', `There is no bay “${name}”.${hint}`);
  }
  const columns = Number(bay.params['columns']);
  const column = Number(row.cell('Column'));
  if (!Number.isInteger(column) || column < 1 || column > columns)
    return problem(
      'Column',
      `${bay.name} has no column “${row.cell('Column')}”: its columns go from 1 to ${columns}.`,
    );
  const side = ROWS[row.cell('Row').toLowerCase()];
  if (side === undefined) return problem('Row', `“${row.cell('Row')}” is not a row; write upper or lower.`);
  const label = row.cell('Label');
  if (label.length > 24)
    return problem('Label', `“${label}” has ${label.length} characters; 24 fit on the strip.`);
  return { row, bay, place: `${side}-${column}`, label };
}

/** A label that two jacks of one bay would carry: given twice in the table, or once there and once here. */
function labelsTwice(wanted: readonly WantedLabel[]): readonly CsvProblem[] {
  const after = new Map<Device, Record<string, string>>();
  const problems: CsvProblem[] = [];
  for (const { bay, place, label } of wanted)
    after.set(bay, { ...(after.get(bay) ?? labelsOf(bay)), [place]: label });
  for (const { row, bay, place, label } of wanted) {
    if (label === '') continue;
    const other = Object.entries(after.get(bay) ?? {}).find(([at, text]) => at < place && text === label);
    if (other !== undefined)
      problems.push({
        line: row.line,
        column: row.columnOf('Label'),
        sentence: `“${label}” stands at ${other[0].replace('-', ' ')} of ${bay.name} already. Give each jack a label of its own.`,
      });
  }
  return problems;
}

const isProblem = (it: WantedLabel | CsvProblem): it is CsvProblem => 'sentence' in it;

function edit({ bay, place, label }: WantedLabel, was: string | null): Edit {
  return editSet('device', {}, bay.id, {
    field: `params.labels.${place}`,
    value: label === '' ? null : label,
    was,
  });
}

/** Reads label strips: bay, column, row and what it says. An empty label takes one off. */
export function readLabelsCsv(text: string, rig: Rig): TableReading {
  const table = readCsv(text, COLUMNS);
  if (!table.ok) return { ok: false, problems: [table.problem] };
  const bays = rig.devices.filter(({ type }) => type === 'patchbay');
  const read = table.rows.map((row) => readLine(row, bays));
  const wanted = read.filter((it): it is WantedLabel => !isProblem(it));
  const problems = [...read.filter(isProblem), ...labelsTwice(wanted)];
  if (problems.length > 0) return { ok: false, problems };
  const now = new Map<string, string | null>();
  const lines: TableLine[] = [];
  const edits: Edit[] = [];
  for (const it of wanted) {
    const key = `${it.bay.id} ${it.place}`;
    const was = now.has(key) ? (now.get(key) ?? null) : (labelsOf(it.bay)[it.place] ?? null);
    const same = (was ?? '') === it.label;
    now.set(key, it.label === '' ? null : it.label);
    if (!same) edits.push(edit(it, was));
    const change = same ? 'there' : was === null ? 'new' : 'changed';
    lines.push({
      line: it.row.line,
      change,
      text: `${it.bay.name} ${it.place.replace('-', ' ')}: ${it.label}`,
    });
  }
  return { ok: true, lines, edits };
}

/** The label strips of every bay. */
export function labelsCsv(rig: Rig): string {
  const bays = rig.devices.filter(({ type }) => type === 'patchbay');
  const rows = bays.flatMap((bay) =>
    Object.entries(labelsOf(bay))
      .map(([place, label]) => ({
        row: place.split('-')[0] ?? '',
        column: Number(place.split('-')[1]),
        label,
      }))
      .sort((a, b) => (a.row === b.row ? a.column - b.column : a.row < b.row ? 1 : -1))
      .map(({ row, column, label }) => [bay.name, String(column), row, label]),
  );
  return writeCsv(
    COLUMNS.map(({ title }) => title),
    rows,
  );
}

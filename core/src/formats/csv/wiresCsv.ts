import type { LaneFace } from '../../rig/faces';
import { lanesOf } from '../../rig/faces';
import type { LaneId } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';
import { didYouMean, nearestNames } from '../../text/nearestName';
import type { PlannedWire, WirePair } from '../../typed/wiring/wirePlan';
import { planWires } from '../../typed/wiring/wirePlan';
import { laneLabel } from '../../rig/laneLabel';
import type { CsvColumn, CsvProblem, CsvRow } from './csvTable';
import { readCsv, writeCsv } from './csvTable';
import type { TableReading } from './tableReading';

const COLUMNS: readonly CsvColumn[] = [
  { title: 'From', also: ['Output', 'Source'], required: true },
  { title: 'To', also: ['Input', 'Destination'], required: true },
];

interface NamedLane {
  readonly id: LaneId;
  readonly face: LaneFace;
}

/** Every lane a wire can end at, by its name in lower case. */
function lanesByName(rig: Rig): ReadonlyMap<string, NamedLane> {
  const byName = new Map<string, NamedLane>();
  for (const device of rig.devices)
    for (const [id, face] of lanesOf(device))
      if (face.port.face !== 'inside') byName.set(laneLabel(face, id).toLowerCase(), { id, face });
  return byName;
}

/** Names are compared letter by letter, so only those of the device that is nearest are looked at. */
function nearest(rig: Rig, byName: ReadonlyMap<string, NamedLane>, typed: string): readonly string[] {
  const [device] = nearestNames(
    typed.split(' ').slice(0, -2).join(' '),
    rig.devices.map(({ name }) => name),
  );
  const near = [...byName.values()].filter(
    ({ face }) =>
      typed.toLowerCase().startsWith(face.device.name.toLowerCase()) || face.device.name === device,
  );
  return nearestNames(
    typed,
    near.map(({ id, face }) => laneLabel(face, id)),
  );
}

interface End {
  readonly title: 'From' | 'To';
  readonly direction: 'out' | 'in';
}
const ENDS: readonly End[] = [
  { title: 'From', direction: 'out' },
  { title: 'To', direction: 'in' },
];

function readEnd(
  rig: Rig,
  byName: ReadonlyMap<string, NamedLane>,
  row: CsvRow,
  end: End,
): LaneId | CsvProblem {
  const typed = row.cell(end.title);
  const problem = (sentence: string): CsvProblem => ({
    line: row.line,
    column: row.columnOf(end.title),
    sentence,
  });
  if (typed === '') return problem(`Here a connector is needed, such as “Bay A 1 lower rear”.`);
  const found = byName.get(typed.toLowerCase());
  if (found === undefined) {
    const hint = didYouMean(nearest(rig, byName, typed));
    return problem(
      `There is no connector “${typed}”.${hint === '' ? ' Add the device first, or check its name.' : hint}`,
    );
  }
  if (found.face.port.direction === end.direction) return found.id;
  return problem(
    end.direction === 'out'
      ? `“${typed}” is an input, so both ends of this wire are inputs. A wire starts at an output; swap the two cells, or choose an output.`
      : `“${typed}” is an output, so both ends of this wire are outputs. A wire ends at an input; swap the two cells, or choose an input.`,
  );
}

const isProblem = (it: LaneId | CsvProblem): it is CsvProblem => typeof it !== 'string';

/** An input that two lines of the table feed. */
function twiceFed(rows: readonly CsvRow[], pairs: readonly WirePair[]): readonly CsvProblem[] {
  const first = new Map<LaneId, number>();
  return pairs.flatMap(({ to }, i): readonly CsvProblem[] => {
    const row = rows[i];
    const earlier = first.get(to);
    if (row === undefined) return [];
    if (earlier === undefined) {
      first.set(to, row.line);
      return [];
    }
    return [
      {
        line: row.line,
        column: row.columnOf('To'),
        sentence: `Line ${earlier} feeds this input already, and an input hears one wire. Take one of the two lines out.`,
      },
    ];
  });
}

const CHANGE = { new: 'new', there: 'there', replaces: 'changed', gone: 'changed' } as const;

function lineText(rig: Rig, wire: PlannedWire, row: CsvRow): string {
  const joined = `${row.cell('From')} → ${row.cell('To')}`;
  if (wire.insteadOf === undefined) return joined;
  const device = rig.devices.find(({ id }) => wire.insteadOf?.startsWith(`${id}/`));
  const face = device && lanesOf(device).get(wire.insteadOf);
  return `${joined}, instead of ${face === undefined ? wire.insteadOf : laneLabel(face, wire.insteadOf)}`;
}

/** Reads fixed wires from a table of output and input names. Wires that are not in it stay. */
export function readWiresCsv(text: string, rig: Rig): TableReading {
  const table = readCsv(text, COLUMNS);
  if (!table.ok) return { ok: false, problems: [table.problem] };
  const byName = lanesByName(rig);
  const problems: CsvProblem[] = [];
  const pairs = table.rows.map((row): WirePair => {
    const [from, to] = ENDS.map((end) => readEnd(rig, byName, row, end));
    for (const end of [from, to]) if (end !== undefined && isProblem(end)) problems.push(end);
    return { from, to } as WirePair;
  });
  if (problems.length === 0) problems.push(...twiceFed(table.rows, pairs));
  if (problems.length > 0) return { ok: false, problems };
  const plan = planWires(rig.hardwires, pairs);
  const lines = table.rows.flatMap((row, i) => {
    const wire = plan.wires[i];
    return wire === undefined
      ? []
      : [{ line: row.line, change: CHANGE[wire.change], text: lineText(rig, wire, row) }];
  });
  return { ok: true, lines, edits: plan.edits };
}

/** The fixed wires of a rig by the names of their ends. */
export function wiresCsv(rig: Rig): string {
  const names = new Map<LaneId, string>();
  for (const device of rig.devices)
    for (const [id, face] of lanesOf(device)) names.set(id, laneLabel(face, id));
  return writeCsv(
    COLUMNS.map(({ title }) => title),
    rig.hardwires.map(({ from, to }) => [names.get(from) ?? from, names.get(to) ?? to]),
  );
}

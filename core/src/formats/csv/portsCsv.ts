import type { Edit } from '../../edits/make';
import { editAdd, editSet } from '../../edits/make';
import { sameValue } from '../../edits/sameValue';
import { buildDevice } from '../../rig/buildDevice';
import { deviceTypeNamed } from '../../rig/catalogue/catalogue';
import { CONNECTORS } from '../../rig/connector';
import type { Port } from '../../rig/deviceModel';
import { idFromName } from '../../rig/ids';
import { MEDIA } from '../../rig/medium';
import type { Device, Rig } from '../../rig/rigSchema';
import { deviceSchema } from '../../rig/rigSchema';
import { typedNumber } from '../../text/typedNumber';
import { didYouMean, nearestNames } from '../../text/nearestName';
import type { CsvColumn, CsvProblem, CsvRow } from './csvTable';
import { readCsv, writeCsv } from './csvTable';
import type { TableLine, TableReading } from './tableReading';

const COLUMNS: readonly CsvColumn[] = [
  { title: 'Device', required: true },
  { title: 'Name', also: ['Port'], required: true },
  { title: 'Direction', required: true },
  { title: 'Medium', required: false },
  { title: 'Connector', required: false },
  { title: 'Lanes', required: false },
  { title: 'Face', required: false },
  { title: 'Impedance Ω', also: ['Impedance', 'Ohm'], required: false },
  { title: 'Maximum dBu', also: ['Maximum', 'Max dBu'], required: false },
];

/** A connector as the parameters of a unit of one's own have it. */
type PortJson = Readonly<Record<string, unknown>> & { readonly key: string };

/** A cell that takes one of a few words; the nearest is suggested. */
function wordProblem(
  row: CsvRow,
  title: string,
  words: readonly string[],
  fallback: string,
): CsvProblem | undefined {
  const typed = row.cell(title) === '' ? fallback : row.cell(title).toLowerCase();
  if (words.includes(typed)) return undefined;
  const hint = didYouMean(nearestNames(typed, words).slice(0, 1));
  const what = title.toLowerCase();
  return {
    line: row.line,
    column: row.columnOf(title),
    sentence: `There is no ${what} “${row.cell(title)}”.${hint === '' ? ` It is one of: ${words.join(', ')}.` : hint}`,
  };
}

function numberProblem(row: CsvRow, title: string): CsvProblem | undefined {
  const typed = row.cell(title);
  if (typed === '' || typedNumber(typed) !== undefined) return undefined;
  return { line: row.line, column: row.columnOf(title), sentence: `“${typed}” is not a number.` };
}

function problemsOf(row: CsvRow): readonly CsvProblem[] {
  return [
    wordProblem(row, 'Direction', ['in', 'out'], ''),
    wordProblem(row, 'Medium', MEDIA, 'line'),
    wordProblem(row, 'Connector', CONNECTORS, 'xlr'),
    wordProblem(row, 'Face', ['front', 'rear', 'inside'], 'rear'),
    ...['Lanes', 'Impedance Ω', 'Maximum dBu'].map((title) => numberProblem(row, title)),
  ].filter((problem) => problem !== undefined);
}

const wordOr = (row: CsvRow, title: string, fallback: string): string =>
  row.cell(title) === '' ? fallback : row.cell(title).toLowerCase();

function figure(row: CsvRow, title: string, key: string): Record<string, number> {
  const value = typedNumber(row.cell(title));
  return value === undefined ? {} : { [key]: value };
}

const portOf = (row: CsvRow, key: string): PortJson => ({
  key,
  name: row.cell('Name'),
  direction: wordOr(row, 'Direction', ''),
  medium: wordOr(row, 'Medium', 'line'),
  connector: wordOr(row, 'Connector', 'xlr'),
  lanes: typedNumber(row.cell('Lanes')) ?? 1,
  face: wordOr(row, 'Face', 'rear'),
  ...figure(row, 'Impedance Ω', 'impedanceOhm'),
  ...figure(row, 'Maximum dBu', 'maxDbu'),
});

/** The cells of one connector, as they are written and compared. */
const cellsOf = (device: string, port: Port): readonly string[] => [
  device,
  port.name === '' ? device : port.name,
  port.direction,
  port.medium,
  port.connector,
  String(port.lanes),
  port.face,
  String(port.input?.loadOhm ?? port.output?.sourceOhm ?? ''),
  String(port.input?.maxDbu ?? port.output?.maxDbu ?? ''),
];

/** The connectors of the rig's devices as their cells, each device built once however many lines are about it. */
class KnownPorts {
  private readonly devices: ReadonlyMap<string, Device>;
  private readonly cells = new Map<Device, readonly (readonly string[])[]>();

  constructor(rig: Rig) {
    this.devices = new Map(rig.devices.map((device) => [device.name.toLowerCase(), device]));
  }

  device(name: string): Device | undefined {
    return this.devices.get(name.toLowerCase());
  }

  /** Whether a line says what a device of the catalogue has anyway. */
  has(row: CsvRow, device: Device): boolean {
    const said = COLUMNS.map(({ title }) => row.cell(title).toLowerCase());
    return this.cellsOf(device).some((cells) => cells.every((cell, i) => said[i] === '' || said[i] === cell));
  }

  private cellsOf(device: Device): readonly (readonly string[])[] {
    const known = this.cells.get(device);
    if (known !== undefined) return known;
    const built = buildDevice(device, {}).ports.map((port) =>
      cellsOf(device.name, port).map((cell) => cell.toLowerCase()),
    );
    this.cells.set(device, built);
    return built;
  }
}

interface Unit {
  readonly device?: Device;
  readonly name: string;
  readonly rows: readonly CsvRow[];
  readonly ports: readonly PortJson[];
}

/** Connectors by device; one whose name the unit has is changed, another is added to it. */
function unitOf(name: string, rows: readonly CsvRow[], device: Device | undefined): Unit {
  const ports = [...((device?.params['ports'] as readonly PortJson[] | undefined) ?? [])];
  for (const row of rows) {
    const at = ports.findIndex(
      (port) => String(port['name']).toLowerCase() === row.cell('Name').toLowerCase(),
    );
    const key =
      ports[at]?.key ??
      idFromName(row.cell('Name'), new Set(ports.map((port) => port.key)), 'port').slice(0, 32);
    const port = portOf(row, key);
    if (at < 0) ports.push(port);
    else ports[at] = port;
  }
  return { name, rows, ports, ...(device && { device }) };
}

function unitEdits(unit: Unit, rig: Rig): { edits: readonly Edit[]; problems: readonly CsvProblem[] } {
  const { device, name, ports, rows } = unit;
  const room = rig.rooms[0]?.id;
  const wanted =
    device === undefined
      ? {
          id: idFromName(name, new Set(rig.devices.map(({ id }) => id)), 'unit'),
          name,
          room,
          type: 'customUnit',
          params: { ports },
        }
      : { ...device, params: { ...device.params, ports } };
  const parsed = deviceSchema.safeParse(wanted);
  if (!parsed.success) {
    const problems = parsed.error.issues.map(({ path, message }): CsvProblem => {
      const row = rows[Math.max(0, Number(path[2] ?? 0) - (ports.length - rows.length))] ?? rows[0];
      return { line: row?.line ?? 1, column: 1, sentence: `${message}.`.replace(/\.\.$/, '.') };
    });
    return { edits: [], problems };
  }
  if (device === undefined) return { edits: [editAdd('device', {}, parsed.data)], problems: [] };
  if (sameValue(device.params, parsed.data.params)) return { edits: [], problems: [] };
  return {
    edits: [
      editSet('device', {}, device.id, { field: 'params', value: parsed.data.params, was: device.params }),
    ],
    problems: [],
  };
}

/**
 * Reads connectors. They make or change units of one's own; the connectors of the catalogue's devices
 * follow from their data, so a line about those may only say what is so.
 */
// eslint-disable-next-line max-lines-per-function -- one pass over the rows that collects lines, edits and problems together
export function readPortsCsv(text: string, rig: Rig): TableReading {
  const table = readCsv(text, COLUMNS);
  if (!table.ok) return { ok: false, problems: [table.problem] };
  const problems: CsvProblem[] = [];
  const lines: TableLine[] = [];
  const own = new Map<string, CsvRow[]>();
  const known = new KnownPorts(rig);
  for (const row of table.rows) {
    const name = row.cell('Device');
    const device = known.device(name);
    const wrong = problemsOf(row);
    problems.push(...wrong);
    if (device !== undefined && device.type !== 'customUnit') {
      const kind = deviceTypeNamed(device.type)?.title ?? device.type;
      if (known.has(row, device))
        lines.push({ line: row.line, change: 'there', text: `${name} ${row.cell('Name')}` });
      else if (wrong.length === 0)
        problems.push({
          line: row.line,
          column: row.columnOf('Name'),
          sentence: `${device.name} has no such connector, and as a ${kind.toLowerCase()} its connectors follow from its data. Change the data, or make it a unit of your own.`,
        });
      continue;
    }
    const rows = own.get(name);
    if (rows === undefined) own.set(name, [row]);
    else rows.push(row);
    lines.push({
      line: row.line,
      change: device === undefined ? 'new' : 'changed',
      text: `${name} ${row.cell('Name')}`,
    });
  }
  if (problems.length > 0) return { ok: false, problems };
  const made = [...own].map(([name, rows]) => unitEdits(unitOf(name, rows, known.device(name)), rig));
  const refused = made.flatMap((each) => each.problems);
  if (refused.length > 0) return { ok: false, problems: refused };
  return { ok: true, lines, edits: made.flatMap(({ edits }) => edits) };
}

/** Every connector of every device. */
export const portsCsv = (rig: Rig): string =>
  writeCsv(
    COLUMNS.map(({ title }) => title),
    rig.devices.flatMap((device) => buildDevice(device, {}).ports.map((port) => cellsOf(device.name, port))),
  );

import type { Edit } from '../../edits/make';
import { editAdd, editSet, fieldRead } from '../../edits/make';
import { sameValue } from '../../edits/sameValue';
import { CATALOGUE } from '../../rig/catalogue/catalogue';
import type { DeviceType } from '../../rig/catalogue/deviceType';
import { idFromName } from '../../rig/ids';
import type { Device, Rig, Room } from '../../rig/rigSchema';
import { deviceSchema, nameSchema } from '../../rig/rigSchema';
import { didYouMean, nearestNames } from '../../text/nearestName';
import type { CsvColumn, CsvProblem, CsvRow } from './csvTable';
import { readCsv, writeCsv } from './csvTable';
import { deviceDataText, readDeviceData } from './deviceData';
import type { TableLine, TableReading } from './tableReading';

const COLUMNS: readonly CsvColumn[] = [
  { title: 'Name', also: ['Device'], required: true },
  { title: 'Room', required: true },
  { title: 'Kind', also: ['Type'], required: true },
  { title: 'Data', also: ['Parameters'], required: false },
  { title: 'Rack', also: ['Place'], required: false },
];

const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();
const typeNamed = (name: string): DeviceType | undefined =>
  CATALOGUE.find(({ title, type }) => same(title, name) || same(type, name));

const roomNameOf = (row: CsvRow): string => (row.cell('Room') === '' ? 'Room' : row.cell('Room'));

/** A cell that is left empty leaves the rack as it is. */
const rackOf = (row: CsvRow): { rack?: string } =>
  row.cell('Rack') === '' ? {} : { rack: row.cell('Rack') };

/** Gathers what the lines of a table do to a rig, room by room and device by device. */
class DeviceTable {
  readonly problems: CsvProblem[] = [];
  readonly lines: TableLine[] = [];
  readonly edits: Edit[] = [];
  private readonly rooms: Room[];
  private readonly devices: Device[];
  private readonly lineOf = new Map<string, number>();

  constructor(rig: Rig) {
    this.rooms = [...rig.rooms];
    this.devices = [...rig.devices];
  }

  take(row: CsvRow): void {
    const refusal = this.read(row);
    if (refusal !== undefined) this.refuse(row, ...refusal);
  }

  /** Takes a line in; where it cannot be so, the column and what is wrong there. */
  // eslint-disable-next-line max-lines-per-function -- what can be wrong with a row, in the order of its columns
  private read(row: CsvRow): readonly [title: string, sentence: string] | undefined {
    const name = row.cell('Name');
    if (name === '') return ['Name', 'A device has a name.'];
    const earlier = this.lineOf.get(name.toLowerCase());
    if (earlier !== undefined)
      return [
        'Name',
        `Line ${earlier} has a device “${name}” already. Give each a name of its own, such as “${name} 2”.`,
      ];
    this.lineOf.set(name.toLowerCase(), row.line);
    const kind = row.cell('Kind');
    if (kind === '') return ['Kind', 'A device has a kind, such as Patchbay or Mic preamp.'];
    const type = typeNamed(kind);
    if (type === undefined) {
      const hint = didYouMean(
        nearestNames(
          kind,
          CATALOGUE.map(({ title }) => title),
        ),
      );
      return ['Kind', `There is no kind of device “${kind}”.${hint}`];
    }
    const data = readDeviceData(type, row.cell('Data'));
    if (!data.ok) return ['Data', data.sentence];
    const room = nameSchema.safeParse(roomNameOf(row));
    if (!room.success) return ['Room', `${room.error.issues[0]?.message ?? ''}.`];
    const existing = this.devices.find((device) => same(device.name, name));
    if (existing === undefined) this.add(row, type, name, data.params);
    else if (existing.type === type.type) this.change(row, type, existing, data.params);
    else {
      const now = (typeNamed(existing.type)?.title ?? existing.type).toLowerCase();
      return [
        'Kind',
        `${existing.name} is a ${now} here. A device does not change its kind: remove it first, or give this one another name.`,
      ];
    }
    return undefined;
  }

  private add(row: CsvRow, type: DeviceType, name: string, params: object): void {
    const id = idFromName(name, new Set(this.devices.map((device) => device.id)), 'device');
    const device = this.parsed(row, {
      id,
      name,
      room: this.roomOf(row),
      ...rackOf(row),
      type: type.type,
      params,
    });
    if (device === undefined) return;
    this.devices.push(device);
    this.edits.push(editAdd('device', {}, device));
    this.lines.push({ line: row.line, change: 'new', text: `${name}, ${type.title}, ${row.cell('Room')}` });
  }

  private change(row: CsvRow, type: DeviceType, existing: Device, params: object): void {
    const device = this.parsed(row, {
      ...existing,
      room: this.roomOf(row),
      ...rackOf(row),
      params: { ...existing.params, ...params },
    });
    if (device === undefined) return;
    const edit = (field: 'room' | 'rack' | 'params'): void => {
      if (!sameValue(device[field], existing[field]))
        this.edits.push(
          editSet('device', {}, existing.id, fieldRead('device', field, device[field], existing[field])),
        );
    };
    edit('room');
    edit('rack');
    edit('params');
    const change = sameValue(device, existing) ? 'there' : 'changed';
    this.lines.push({ line: row.line, change, text: `${existing.name}, ${type.title}` });
  }

  private parsed(row: CsvRow, device: object): Device | undefined {
    const result = deviceSchema.safeParse(device);
    if (result.success) return result.data;
    for (const { path, message } of result.error.issues)
      this.refuse(
        row,
        path[0] === 'params' ? 'Data' : 'Name',
        `${path.slice(1).map(String).join('.')}: ${message}.`.replace(/^: /, '').replace(/\.\.$/, '.'),
      );
    return undefined;
  }

  /** A room that is not there yet is built with the first device in it. */
  private roomOf(row: CsvRow): Room['id'] {
    const name = roomNameOf(row);
    const known = this.rooms.find((room) => same(room.name, name));
    if (known !== undefined) return known.id;
    const id = idFromName(name, new Set(this.rooms.map((room) => room.id)), 'room') as Room['id'];
    this.rooms.push({ id, name });
    this.edits.push(editAdd('room', {}, { id, name }));
    this.lines.push({ line: row.line, change: 'new', text: `Room ${name}` });
    return id;
  }

  private refuse(row: CsvRow, title: string, sentence: string): void {
    this.problems.push({ line: row.line, column: row.columnOf(title), sentence });
  }
}

/** Reads devices: new ones are added, those of a known name changed, the others stay. */
export function readDevicesCsv(text: string, rig: Rig): TableReading {
  const read = readCsv(text, COLUMNS);
  if (!read.ok) return { ok: false, problems: [read.problem] };
  const table = new DeviceTable(rig);
  for (const row of read.rows) table.take(row);
  const { problems, lines, edits } = table;
  return problems.length > 0 ? { ok: false, problems } : { ok: true, lines, edits };
}

/** Every device with its room, kind and what is not typical about it. */
export function devicesCsv(rig: Rig): string {
  const rooms = new Map(rig.rooms.map(({ id, name }) => [id, name]));
  return writeCsv(
    COLUMNS.map(({ title }) => title),
    rig.devices.map((device) => {
      const type = typeNamed(device.type);
      const data = type === undefined ? '' : deviceDataText(type, device.params);
      return [device.name, rooms.get(device.room) ?? '', type?.title ?? device.type, data, device.rack ?? ''];
    }),
  );
}

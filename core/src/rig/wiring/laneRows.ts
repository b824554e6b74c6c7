import { lanesOf } from '../faces';
import { laneNameIn } from '../laneLabel';
import type { LaneId } from '../ids';
import type { Connector } from '../connector';
import type { Port } from '../deviceModel';
import type { Device } from '../rigSchema';
import { rangesText } from '../../text/rangesText';

/** One numbered lane of a row. */
export interface RowLane {
  readonly number: number;
  readonly lane: LaneId;
  /** The connector it sits in, counted along the row: which DB-25 of several. */
  readonly connectorNumber: number;
}

/**
 * Lanes of a device that belong together and are counted: the lower rears of a bay, the line inputs of a
 * converter. In the order of their numbers.
 */
export interface LaneRow {
  readonly device: Device;
  /** "lower rear", "line in"; empty where the device has one lane that needs no name. */
  readonly name: string;
  readonly direction: 'in' | 'out';
  readonly face: Port['face'];
  readonly medium: Port['medium'];
  readonly connector: Connector;
  /** True where the lanes are lettered: A is number 1. */
  readonly lettered: boolean;
  readonly lanes: readonly RowLane[];
}

/** A row with its device: "Converter line in". */
export const rowName = ({ device, name }: Pick<LaneRow, 'device' | 'name'>): string =>
  `${device.name} ${name}`.trim();

/** The number of a channel's letter, and the other way round. */
export const numberOfLetter = (letter: string): number => letter.toUpperCase().charCodeAt(0) - 64;
const letterOf = (number: number): string => String.fromCharCode(64 + number);

/** Numbers of a row's lanes as its labels have them: "1–3, 7", or "A–B". */
export const rowNumbersText = ({ lettered }: LaneRow, numbers: readonly number[]): string =>
  lettered ? rangesText(numbers).replace(/\d+/g, (digits) => letterOf(Number(digits))) : rangesText(numbers);

/** Splits the last number off a name: "5 lower rear" is number 5 of "lower rear", "in B" number 2 of "in". */
function numbered(name: string): {
  readonly row: string;
  readonly number: number;
  readonly lettered: boolean;
} {
  const at = [...name.matchAll(/\d+/g)].at(-1);
  if (at === undefined) {
    const letter = /^(.+) ([A-P])$/.exec(name);
    if (letter === null) return { row: name, number: 1, lettered: false };
    return { row: letter[1] ?? name, number: numberOfLetter(letter[2] ?? 'A'), lettered: true };
  }
  const row = `${name.slice(0, at.index)} ${name.slice(at.index + at[0].length)}`;
  return { row: row.replace(/\s+/g, ' ').trim(), number: Number(at[0]), lettered: false };
}

const knownRows = new WeakMap<Device, readonly LaneRow[]>();

function rowsOf(device: Device): readonly LaneRow[] {
  const rows = new Map<string, LaneRow & { readonly lanes: RowLane[]; readonly ports: string[] }>();
  for (const [id, { port }] of lanesOf(device)) {
    if (port.face === 'inside') continue;
    const lane = Number(id.slice(id.lastIndexOf('/') + 1));
    const { row: name, number, lettered } = numbered(laneNameIn(port, lane));
    const key = `${name} ${port.direction} ${port.face}`;
    const { direction, face, medium, connector } = port;
    const row = rows.get(key) ?? {
      device,
      name,
      direction,
      face,
      medium,
      connector,
      lettered,
      lanes: [],
      ports: [],
    };
    if (!row.ports.includes(port.key)) row.ports.push(port.key);
    row.lanes.push({ number, lane: id, connectorNumber: row.ports.length });
    rows.set(key, row);
  }
  return [...rows.values()].map(({ ports: _ports, ...row }) => ({
    ...row,
    lanes: [...row.lanes].sort((a, b) => a.number - b.number),
  }));
}

/** The rows of a device that cables can reach. Devices are immutable, so they are worked out once. */
export function laneRows(device: Device): readonly LaneRow[] {
  const known = knownRows.get(device) ?? rowsOf(device);
  knownRows.set(device, known);
  return known;
}

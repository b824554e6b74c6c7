import { lanesOf } from '../rig/faces';
import { laneNameIn } from '../rig/laneLabel';
import type { LaneId } from '../rig/ids';
import type { Connector } from '../rig/connector';
import type { Port } from '../rig/deviceModel';
import type { Device } from '../rig/rigSchema';

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
  readonly lanes: readonly RowLane[];
}

/** Splits the last number off a name: "5 lower rear" is number 5 of "lower rear". */
function numbered(name: string): { readonly row: string; readonly number: number } {
  const at = [...name.matchAll(/\d+/g)].at(-1);
  if (at === undefined) return { row: name, number: 1 };
  const row = `${name.slice(0, at.index)} ${name.slice(at.index + at[0].length)}`;
  return { row: row.replace(/\s+/g, ' ').trim(), number: Number(at[0]) };
}

const knownRows = new WeakMap<Device, readonly LaneRow[]>();

function rowsOf(device: Device): readonly LaneRow[] {
  const rows = new Map<string, LaneRow & { readonly lanes: RowLane[]; readonly ports: string[] }>();
  for (const [id, { port }] of lanesOf(device)) {
    if (port.face === 'inside') continue;
    const lane = Number(id.slice(id.lastIndexOf('/') + 1));
    const { row: name, number } = numbered(laneNameIn(port, lane));
    const key = `${name} ${port.direction} ${port.face}`;
    const { direction, face, medium, connector } = port;
    const row = rows.get(key) ?? { device, name, direction, face, medium, connector, lanes: [], ports: [] };
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

import type { WorkedScene } from '../scene/workedScene';
import type { DeviceId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';
import type { LaneKey } from '../rig/deviceModel';
import type { Device } from '../rig/rigSchema';
import { columnsOf } from '../rig/sheets/channelColumns';
import type {
  ChannelCell,
  ChannelColumn,
  ChannelSheet,
  InsertJacks,
  SheetRow,
} from '../rig/sheets/channelSheet';
import { sheetOf } from '../rig/sheets/sheetOf';
import { amplifierBehind } from '../graph/amplifierBehind';
import type { Knobs } from './cells/cellKind';
import { deskKnobs } from './deskKnobs';

/** A cell with the device its knobs are on: a channel shows the amplifier in front of it, wherever that stands. */
export interface PlacedCell {
  readonly device: Device;
  readonly cell: ChannelCell;
}

/** A row of a channel sheet in a scene. */
export interface DeskRow {
  readonly id: string;
  readonly name: string;
  /** The section it stands in. */
  readonly section: string;
  readonly row: SheetRow;
  /** Where its sound is, in the graph. */
  readonly lane?: number;
  readonly cells: Readonly<Record<string, PlacedCell>>;
  readonly insert?: { readonly device: Device; readonly jacks: InsertJacks };
}

/** A device with channels, as it stands in a scene. */
export interface Desk {
  readonly device: Device;
  readonly sheet: ChannelSheet;
  readonly columns: readonly ChannelColumn[];
  readonly rows: readonly DeskRow[];
  knobs(device: Device): Knobs;
}

/** The lane of a device in the graph of a scene. */
export const laneAtOf = (
  { graph }: WorkedScene,
  device: Device,
  { port, lane }: LaneKey,
): number | undefined => graph.laneIndex.get(laneIdOf(device.id, port, lane));

const placed = (device: Device, cells: SheetRow['cells']): DeskRow['cells'] =>
  Object.fromEntries(Object.entries(cells).map(([column, cell]) => [column, { device, cell }]));

const PREAMP_COLUMNS = ['gain', 'pad', 'phantom', 'invert', 'insert'] as const;

/** The knobs and the insert point of the amplifier in front of a channel. */
function inFront(context: WorkedScene, lane: number): Pick<DeskRow, 'cells' | 'insert'> {
  const station = amplifierBehind(context.graph, lane);
  const device = station && context.devices.get(station.device);
  if (station === undefined || device === undefined) return { cells: {} };
  const rows = sheetOf(device)?.sections.flatMap((section) => section.rows) ?? [];
  const own = rows.find(
    ({ cells: { gain } }) => gain?.kind === 'knob' && gain.knob.channel === station.channel,
  );
  if (own === undefined) return { cells: {} };
  const cells = Object.fromEntries(
    PREAMP_COLUMNS.flatMap((column) => {
      const cell = own.cells[column];
      return cell === undefined ? [] : [[column, { device, cell }]];
    }),
  );
  return { cells, ...(own.insert && { insert: { device, jacks: own.insert } }) };
}

function deskRow(context: WorkedScene, device: Device, section: string, row: SheetRow): DeskRow {
  const lane = row.lane && laneAtOf(context, device, row.lane);
  const behind =
    section === 'channels' && lane !== undefined && row.cells['gain'] === undefined
      ? inFront(context, lane)
      : { cells: {} };
  return {
    ...{ id: row.id, name: row.name, section, row },
    ...(lane !== undefined && { lane }),
    ...behind,
    cells: { ...behind.cells, ...placed(device, row.cells) },
    ...(row.insert && { insert: { device, jacks: row.insert } }),
  };
}

/** A device with channels as it stands in the scene; undefined for one that has none. */
export function deskOf(context: WorkedScene, id: DeviceId): Desk | undefined {
  const device = context.devices.get(id);
  const sheet = device && sheetOf(device);
  if (device === undefined || sheet === undefined) return undefined;
  const rows = sheet.sections.flatMap((section) =>
    section.rows.map((row) => deskRow(context, device, section.id, row)),
  );
  const known = new Map<Device, Knobs>();
  const ids = rows.flatMap(({ cells }) => Object.keys(cells));
  return {
    ...{ device, sheet, rows },
    columns: [...columnsOf(ids), ...(sheet.columns ?? [])],
    knobs(of) {
      const knobs = known.get(of) ?? deskKnobs(of, context.scene);
      known.set(of, knobs);
      return knobs;
    },
  };
}

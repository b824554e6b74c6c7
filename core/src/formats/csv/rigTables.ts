import type { Rig } from '../../rig/rigSchema';
import { devicesCsv, readDevicesCsv } from './devicesCsv';
import { labelsCsv, readLabelsCsv } from './labelsCsv';
import { portsCsv, readPortsCsv } from './portsCsv';
import type { TableReading } from './tableReading';
import { readWiresCsv, wiresCsv } from './wiresCsv';

export const RIG_TABLES = ['devices', 'ports', 'wires', 'labels'] as const;
export type RigTableName = (typeof RIG_TABLES)[number];

interface RigTable {
  readonly title: string;
  /** The columns, for the person who prepares one. */
  readonly columns: string;
  read(text: string, rig: Rig): TableReading;
  write(rig: Rig): string;
}

/** The tables a rig can be written to and read from. */
export const RIG_TABLE: Readonly<Record<RigTableName, RigTable>> = {
  devices: { title: 'Devices', columns: 'Name, Room, Kind, Data', read: readDevicesCsv, write: devicesCsv },
  ports: {
    title: 'Connectors',
    columns: 'Device, Name, Direction, Medium, Connector, Lanes, Face, Impedance Ω, Maximum dBu',
    read: readPortsCsv,
    write: portsCsv,
  },
  wires: { title: 'Fixed wiring', columns: 'From, To', read: readWiresCsv, write: wiresCsv },
  labels: { title: 'Bay labels', columns: 'Bay, Column, Row, Label', read: readLabelsCsv, write: labelsCsv },
};

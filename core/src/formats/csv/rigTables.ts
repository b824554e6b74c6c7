import type { Rig } from '../../rig/rigSchema';
import { devicesCsv, readDevicesCsv } from './devicesCsv';
import { labelsCsv, readLabelsCsv } from './labelsCsv';
import { portsCsv, readPortsCsv } from './portsCsv';
import type { TableReading } from './tableReading';
import { readWiresCsv, wiresCsv } from './wiresCsv';

export const RIG_TABLES = ['devices', 'ports', 'wires', 'labels'] as const;
export type RigTableName = (typeof RIG_TABLES)[number];

interface RigTable {
  read(text: string, rig: Rig): TableReading;
  write(rig: Rig): string;
}

/** The tables a rig can be written to and read from. */
export const RIG_TABLE: Readonly<Record<RigTableName, RigTable>> = {
  devices: { read: readDevicesCsv, write: devicesCsv },
  ports: { read: readPortsCsv, write: portsCsv },
  wires: { read: readWiresCsv, write: wiresCsv },
  labels: { read: readLabelsCsv, write: labelsCsv },
};

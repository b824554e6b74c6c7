import type { DeviceField } from '@ft/core/actions/rig/deviceCell';
import { deviceCell } from '@ft/core/actions/rig/deviceCell';
import type { TypeForm } from '@ft/core/rig/paramFields';
import type { Device, Rig } from '@ft/core/rig/rigSchema';
import { nameMatches } from '@ft/core/text/nameMatch';
import type { TakingColumn } from '../../../ui/sheet/cell-takers';
import { paramFigure } from './param-figure';
import { paramTitle } from './param-title';

/** A device with what its kind is called. */
export interface DeviceRow {
  readonly device: Device;
  readonly room: string;
  readonly kind: string;
}

const NAMES = new Intl.Collator('en', { numeric: true });
const inOrder = (a: DeviceRow, b: DeviceRow): number =>
  NAMES.compare(a.room, b.room) ||
  NAMES.compare(a.device.rack ?? '', b.device.rack ?? '') ||
  NAMES.compare(a.device.name, b.device.name);

/** The devices of a rig by room, rack and name. */
export const deviceRows = ({ devices, rooms }: Rig, forms: readonly TypeForm[]): readonly DeviceRow[] =>
  devices
    .map((device) => ({
      device,
      room: rooms.find(({ id }) => id === device.room)?.name ?? '',
      kind: forms.find(({ type }) => type === device.type)?.title ?? device.type,
    }))
    .sort(inOrder);

/** Devices whose name, kind, room or rack has what is typed as it stands; where none has, all its words. */
export function answering(rows: readonly DeviceRow[], typed: string): readonly DeviceRow[] {
  const wanted = typed.trim().toLowerCase();
  const text = ({ device, room, kind }: DeviceRow): string =>
    `${device.name} ${kind} ${room} ${device.rack ?? ''}`.toLowerCase();
  const exact = rows.filter((row) => text(row).includes(wanted));
  return exact.length > 0 ? exact : rows.filter((row) => nameMatches(text(row), wanted));
}

/** The parameters in one line, the counts first: "channels 8 · offers 48 V". */
function summary({ device }: DeviceRow): string {
  return Object.entries(device.params)
    .filter(([, value]) => typeof value !== 'object' || Array.isArray(value))
    .filter(([, value]) => !Array.isArray(value) || value.every((each) => typeof each === 'number'))
    .filter(([, value]) => value !== false)
    .slice(0, 4)
    .map(([key, value]) => {
      const { name, unit } = paramTitle(key);
      return `${name} ${paramFigure(value, unit)}`.trim();
    })
    .join(' · ');
}

/** The columns of the list of devices. @param rig as it is when something is typed. */
export function deviceColumns(rig: () => Rig | undefined): readonly TakingColumn<DeviceRow>[] {
  const typed = (
    field: DeviceField,
    column: Omit<TakingColumn<DeviceRow>, 'id' | 'take'>,
  ): TakingColumn<DeviceRow> => ({
    ...column,
    id: field,
    take: ({ device }, text) => deviceCell(rig() ?? { rooms: [] }, device, field, text),
  });
  return [
    typed('name', {
      ...{ title: 'Device', widthPx: 220, editor: 'text', isRequired: true },
      text: ({ device }) => device.name,
    }),
    typed('room', {
      ...{ title: 'Room', widthPx: 130, editor: 'choice', isRequired: true },
      text: ({ room }) => room,
      choices: () => (rig()?.rooms ?? []).map(({ name }) => name),
    }),
    typed('rack', {
      ...{ title: 'Rack', widthPx: 110, editor: 'text' },
      text: ({ device }) => device.rack ?? '',
    }),
    { id: 'kind', title: 'Kind', widthPx: 190, text: ({ kind }) => kind },
    { id: 'data', title: 'Data', widthPx: 430, text: summary },
  ];
}

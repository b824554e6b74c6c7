import type { Edit, FieldChange } from '../../edits/make';
import { editSet, fieldRead } from '../../edits/make';
import type { Device, Rig, Room } from '../../rig/rigSchema';
import { rackSchema, roomSchema } from '../../rig/rigSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { fittedText } from '../fittedCell';

/** What of a device can be typed into its line. */
export type DeviceField = 'name' | 'room' | 'rack';

function read({ rooms }: Pick<Rig, 'rooms'>, field: DeviceField, text: string): CellReading<unknown> {
  if (field === 'name') return fittedText(roomSchema.shape.name, text);
  if (field === 'rack') return text === '' ? value(null) : fittedText(rackSchema, text);
  const room = rooms.find(({ name }) => name.toLowerCase() === text.toLowerCase());
  return room === undefined
    ? refuse(`There is no room “${text}”. There are ${rooms.map(({ name }) => name).join(', ')}.`)
    : value(room.id);
}

/** A text for a cell of the list of devices. A rack may be empty: the device then stands in none. */
export function deviceCell(
  rig: Pick<Rig, 'rooms'>,
  device: Device,
  field: DeviceField,
  typed: string,
): CellReading<readonly Edit[]> {
  const fits = read(rig, field, typed.trim());
  if (!fits.ok) return fits;
  const change: FieldChange<'device'> = fieldRead('device', field, fits.value, device[field]);
  return value([editSet('device', {}, device.id, change)]);
}

/** A text for the name of a room. */
export function roomCell(room: Room, typed: string): CellReading<readonly Edit[]> {
  const fits = fittedText(roomSchema.shape.name, typed);
  if (!fits.ok) return fits;
  return value([editSet('room', {}, room.id, fieldRead('room', 'name', fits.value, room.name))]);
}

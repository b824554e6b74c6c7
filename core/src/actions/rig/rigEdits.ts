import type { Edit } from '../../edits/make';
import { editRemove, editSet } from '../../edits/make';
import { lanesOf } from '../../rig/faces';
import type { LaneId } from '../../rig/ids';
import type { CordStock, Device, Hardwire, Room } from '../../rig/rigSchema';
import { deviceSchema } from '../../rig/rigSchema';
import { roomsInOrder } from '../../rig/roomsInOrder';
import type { Studio } from '../../session/studioSchema';
import { repositionedBy } from '../movedItem';

const removeWire = (wire: Hardwire): Edit => editRemove('hardwire', {}, wire.id, wire);

/** Wires that end at a lane for which the test holds. */
const wiresAt = (studio: Studio, isEnd: (id: LaneId) => boolean): readonly Hardwire[] =>
  studio.rig.hardwires.filter((wire) => isEnd(wire.from) || isEnd(wire.to));

/** Takes devices out of the rig, with the wires that end at them. Sessions keep what they planned. */
export function removeDevicesEdits(studio: Studio, devices: readonly Device[]): readonly Edit[] {
  const gone = new Set<string>(devices.map(({ id }) => id));
  const wires = wiresAt(studio, (id) => gone.has(id.slice(0, id.indexOf('/'))));
  return [...wires.map(removeWire), ...devices.map((device) => editRemove('device', {}, device.id, device))];
}

/** Takes a room out of the rig, with everything in it. */
export const removeRoomEdits = (studio: Studio, room: Room): readonly Edit[] => [
  ...removeDevicesEdits(
    studio,
    studio.rig.devices.filter((device) => device.room === room.id),
  ),
  editRemove('room', {}, room.id, room),
];

/** Puts a room elsewhere on the walk through the rooms. */
export const movedRoomEdits = ({ rig }: Studio, id: Room['id'], by: number): readonly Edit[] =>
  repositionedBy(roomsInOrder(rig), id, by).map(({ item, value, was }) =>
    editSet('room', {}, item.id, { field: 'position', value, was }),
  );

export const removeStockEdits = (stock: CordStock): readonly Edit[] => [
  editRemove('stock', {}, stock.id, stock),
];

/**
 * Gives a device other parameters. Wires whose connectors go, or turn the other way, are taken out with
 * them. Parameters the type refuses are left to the edit itself, which says why.
 */
export function changeParamsEdits(
  studio: Studio,
  device: Device,
  params: Readonly<Record<string, unknown>>,
): readonly Edit[] {
  const set = editSet('device', {}, device.id, { field: 'params', value: params, was: device.params });
  const parsed = deviceSchema.safeParse({ ...device, params });
  if (!parsed.success) return [set];
  const [before, after] = [lanesOf(device), lanesOf(parsed.data)];
  const isLost = (id: LaneId): boolean =>
    before.has(id) && after.get(id)?.port.direction !== before.get(id)?.port.direction;
  return [...wiresAt(studio, isLost).map(removeWire), set];
}

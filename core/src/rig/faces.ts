import { buildDevice } from './buildDevice';
import type { Port, StationRole } from './deviceModel';
import type { LaneId, StationId } from './ids';
import { laneIdOf, stationIdOf } from './ids';
import type { Device } from './rigSchema';

export interface LaneFace {
  readonly port: Port;
  readonly device: Device;
}

/**
 * The lanes of a device by id, whatever its settings: settings move gains, never faces. Devices are
 * immutable, so the faces of one are worked out once and kept as long as the device is.
 */
const facesOfDevice = new WeakMap<Device, ReadonlyMap<LaneId, LaneFace>>();
const rolesOfDevice = new WeakMap<Device, ReadonlyMap<StationId, StationRole>>();

export function lanesOf(device: Device): ReadonlyMap<LaneId, LaneFace> {
  const known = facesOfDevice.get(device);
  if (known !== undefined) return known;
  const faces = new Map<LaneId, LaneFace>();
  for (const port of buildDevice(device, {}).ports)
    for (let lane = 1; lane <= port.lanes; lane++)
      faces.set(laneIdOf(device.id, port.key, lane), { port, device });
  facesOfDevice.set(device, faces);
  return faces;
}

/** The role of a station of this device, or undefined where it has no such station. */
export function stationRoleOf(device: Device, id: StationId): StationRole | undefined {
  let roles = rolesOfDevice.get(device);
  if (roles === undefined) {
    const { stations } = buildDevice(device, {});
    roles = new Map(stations.map((station) => [stationIdOf(device.id, station.key), station.role]));
    rolesOfDevice.set(device, roles);
  }
  return roles.get(id);
}

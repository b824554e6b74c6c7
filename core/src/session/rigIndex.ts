import type { LaneFace } from '../rig/faces';
import { lanesOf } from '../rig/faces';
import type { AdaptorId, DeviceId, LaneId, StockId } from '../rig/ids';
import { deviceIdIn } from '../rig/ids';
import type { Adaptor, CordStock, Device, Rig } from '../rig/rigSchema';

/** Looks up what a document may refer to. */
export interface RigIndex {
  readonly device: (id: DeviceId) => Device | undefined;
  readonly lane: (id: LaneId) => LaneFace | undefined;
  readonly stock: (id: StockId) => CordStock | undefined;
  readonly adaptor: (id: AdaptorId) => Adaptor | undefined;
}

export function indexRig(rig: Rig): RigIndex {
  const devices = new Map(rig.devices.map((device) => [device.id, device]));
  const stocks = new Map(rig.cords.map((stock) => [stock.id, stock]));
  const adaptors = new Map(rig.adaptors.map((adaptor) => [adaptor.id, adaptor]));
  return {
    device: (id) => devices.get(id),
    lane: (id) => {
      const device = devices.get(deviceIdIn(id));
      return device === undefined ? undefined : lanesOf(device).get(id);
    },
    stock: (id) => stocks.get(id),
    adaptor: (id) => adaptors.get(id),
  };
}

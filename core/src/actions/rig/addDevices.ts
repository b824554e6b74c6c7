import type { Edit } from '../../edits/make';
import { editAdd } from '../../edits/make';
import type { DeviceId, RoomId } from '../../rig/ids';
import { idFromName } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';
import { freeName } from '../../text/freeName';

/** A device as it is asked for; its id and, where the name is taken, its number come from the rig. */
export interface WantedDevice {
  readonly name: string;
  readonly room: RoomId;
  readonly rack?: string;
  readonly type: string;
  readonly params: Record<string, unknown>;
}

export interface AddedDevices {
  readonly edits: readonly Edit[];
  /** Ids and names of the new devices, in their order. */
  readonly ids: readonly string[];
  readonly names: readonly string[];
}

/** Adds devices that are alike; where a name is taken, or there are several, they are numbered on. */
export function addDevicesEdits(rig: Rig, wanted: WantedDevice, count: number): AddedDevices {
  const takenIds = new Set<string>(rig.devices.map(({ id }) => id));
  const takenNames = new Set(rig.devices.map(({ name }) => name.toLowerCase()));
  const added = Array.from({ length: count }, () => {
    const name = freeName(wanted.name, takenNames, count > 1);
    const id = idFromName(name, takenIds, 'device') as DeviceId;
    takenIds.add(id);
    takenNames.add(name.toLowerCase());
    return { ...wanted, id, name };
  });
  return {
    edits: added.map((item) => editAdd('device', {}, item)),
    ids: added.map(({ id }) => id),
    names: added.map(({ name }) => name),
  };
}

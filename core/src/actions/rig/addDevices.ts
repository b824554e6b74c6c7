import type { Edit } from '../../edits/make';
import { editAdd } from '../../edits/make';
import type { DeviceId, RoomId } from '../../rig/ids';
import { idFromName } from '../../rig/ids';
import type { Device, Rig } from '../../rig/rigSchema';
import { deviceSchema } from '../../rig/rigSchema';
import { freeName } from '../../text/freeName';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { readWiredOn } from '../../typed/gear/wiredOn';
import type { WirePair } from '../../typed/wiring/wirePlan';
import { planWires } from '../../typed/wiring/wirePlan';
import { hostStreams } from './hostStreams';
import { replacedBy, wiresOn } from './wiresOn';

/** A device as it is asked for; its id and, where the name is taken, its number come from the rig. */
export interface WantedDevice {
  readonly name: string;
  readonly room: RoomId;
  readonly rack?: string;
  readonly type: string;
  readonly params: Readonly<Record<string, unknown>>;
}

/** Ids and names that are taken; names in lower case. */
export interface Rigging {
  readonly takenIds: ReadonlySet<string>;
  readonly takenNames: ReadonlySet<string>;
}

/** Devices that are alike, with what makes them and what is taken from then on. */
export interface Added extends Rigging {
  readonly devices: readonly Device[];
  readonly edits: readonly Edit[];
}

/** Devices that are alike; where a name is taken, or there are several, they are numbered on. Their data must fit. */
export function addedDevices(taken: Rigging, wanted: WantedDevice, count: number): Added {
  const takenIds = new Set(taken.takenIds);
  const takenNames = new Set(taken.takenNames);
  const added = Array.from({ length: count }, () => {
    const name = freeName(wanted.name, takenNames, count > 1);
    const id = idFromName(name, takenIds, 'device') as DeviceId;
    takenIds.add(id);
    takenNames.add(name.toLowerCase());
    const item = { ...wanted, id, name, params: { ...wanted.params } };
    // What does not fit is left to the edit itself, which says why.
    return deviceSchema.safeParse(item).data ?? item;
  });
  return {
    ...{ takenIds, takenNames },
    devices: added.filter((item) => deviceSchema.safeParse(item).success),
    edits: added.map((item) => editAdd('device', {}, item)),
  };
}

export interface AddedDevices {
  readonly edits: readonly Edit[];
  /** Ids and names of the new devices, in their order. */
  readonly ids: readonly string[];
  readonly names: readonly string[];
  /** Wires between a host and what stands in its room, drawn by themselves. */
  readonly streams: number;
  /** Wires that made way for those of what it is wired on. */
  readonly replaced: number;
}

/**
 * Adds devices that are alike, and joins a host with the interface of its room.
 * @param on what a single one is wired to for good, as it was typed: "interface 3-4".
 */
export function addDevicesEdits(
  rig: Rig,
  wanted: WantedDevice,
  count: number,
  on = '',
): CellReading<AddedDevices> {
  const taken: Rigging = {
    takenIds: new Set(rig.devices.map(({ id }) => id)),
    takenNames: new Set(rig.devices.map(({ name }) => name.toLowerCase())),
  };
  const { devices, edits, takenIds } = addedDevices(taken, wanted, count);
  const ids = [...takenIds].filter((id) => !taken.takenIds.has(id));
  const whole: Rig = { ...rig, devices: [...rig.devices, ...devices] };
  const stands = on.trim() === '' ? [] : wiredOn(whole, devices, on);
  if (typeof stands === 'string') return refuse(stands);
  const streams = hostStreams(whole, new Set(ids));
  return value({
    edits: [...edits, ...planWires(rig.hardwires, [...streams, ...stands]).edits],
    ...{ ids, names: edits.map((edit) => (edit['item'] as Device).name), streams: streams.length },
    replaced: replacedBy(rig, stands),
  });
}

function wiredOn(rig: Rig, devices: readonly Device[], typed: string): readonly WirePair[] | string {
  const [unit, ...others] = devices;
  if (unit === undefined || others.length > 0)
    return 'Add units one at a time where you say what each is wired to.';
  const on = readWiredOn(typed);
  return on === undefined
    ? `“${typed}” does not say where. Type a device and its numbers: interface 3-4.`
    : wiresOn(rig, unit, on);
}

import type { EditJson } from '../edits/editKind';
import type { LaneId } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { Studio } from '../session/studioSchema';

/** Takes a device out of the rig, with the wires that end at it. Refused when applied if a session uses it. */
export function removeDeviceEdits(studio: Studio, device: Device): readonly EditJson[] {
  const ends = (id: LaneId): boolean => id.startsWith(`${device.id}/`);
  const wires = studio.rig.hardwires.filter((wire) => ends(wire.from) || ends(wire.to));
  return [
    ...wires.map((wire): EditJson => ({ type: 'hardwire.remove', id: wire.id, was: wire })),
    { type: 'device.remove', id: device.id, was: device },
  ];
}

import type { RoomId } from '@ft/core/rig/ids';
import { saltglassRooms } from '../fixtures/thin/saltglass';
import { applyChange } from '@ft/core/edits/change';
import type { AddedDevices, WantedDevice } from '@ft/core/actions/rig/addDevices';
import { addDevicesEdits } from '@ft/core/actions/rig/addDevices';
import type { Rig } from '@ft/core/rig/rigSchema';

/** Devices that are wired nowhere are never refused. */
function added(rig: Rig, device: WantedDevice, count: number): AddedDevices {
  const reading = addDevicesEdits(rig, device, count);
  if (!reading.ok) throw new Error(reading.sentence);
  return reading.value;
}

const demo = saltglassRooms();
const wanted = { room: 'batch' as RoomId, type: 'dynamics', params: {} };
const withNames = (names: readonly string[]): Rig => ({
  ...demo.rig,
  devices: names.flatMap((name, i) => ({ ...demo.rig.devices[0]!, id: `there-${String(i)}` as never, name })),
});

describe('devices that are added are called', () => {
  it.each([
    ['by the bare name where it is free', [], 'Plate', 1, ['Plate']],
    ['with a 2 behind it where it is taken, in capitals or not', ['plate'], 'Plate', 1, ['Plate 2']],
    ['by the next number where they have one', ['Cue box 4'], 'Cue box 4', 1, ['Cue box 5']],
    ['past those that are there', ['Cue box 1', 'Cue box 2'], 'Cue box 1', 1, ['Cue box 3']],
    ['from 1 where there are several', ['Plate 2'], 'Plate', 3, ['Plate 1', 'Plate 3', 'Plate 4']],
    ['from their own number where there are several', [], 'Line 7', 2, ['Line 7', 'Line 8']],
    ['with a year kept whole', ['Take 20261125001'], 'Take 20261125001', 1, ['Take 20261125001 2']],
  ])('%s', (_case, there, name, count, names) => {
    expect(added(withNames(there), { ...wanted, name }, count).names).toEqual(names);
  });

  it('and have ids of their own that the rig takes', () => {
    const opto = demo.rig.devices.find(({ type }) => type === 'dynamics')!;
    const { edits, ids } = added(demo.rig, { ...wanted, name: opto.name }, 2);
    expect(new Set([...ids, ...demo.rig.devices.map(({ id }) => id)]).size).toBe(demo.rig.devices.length + 2);
    expect(applyChange(demo, edits).ok).toBe(true);
  });
});

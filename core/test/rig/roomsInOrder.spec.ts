import { movedRoomEdits } from '@ft/core/actions/rig/rigEdits';
import { applyChange } from '@ft/core/edits/change';
import { roomsInOrder } from '@ft/core/rig/roomsInOrder';
import { saltglassRooms } from '../fixtures/builtDemo';

const demo = saltglassRooms();
const names = (studio = demo): readonly string[] => roomsInOrder(studio.rig).map(({ name }) => name);

describe('the walk through the rooms', () => {
  it('begins in the control room, where most of what one sits at stands', () => {
    // The list is in the order of ids; whichever that is, the control room comes first and the others as listed.
    for (const rooms of [demo.rig.rooms, [...demo.rig.rooms].reverse()]) {
      const others = rooms.map(({ name }) => name).filter((name) => name !== 'Batch room');
      expect(roomsInOrder({ ...demo.rig, rooms }).map(({ name }) => name)).toEqual(['Batch room', ...others]);
    }
  });

  it('goes as somebody has said, and stays so', () => {
    const [control, second, third] = names();
    const batch = demo.rig.rooms.find(({ name }) => name === control)!;
    const moved = applyChange(demo, movedRoomEdits(demo, batch.id, 2));
    expect(moved.ok && names(moved.value)).toEqual([second, third, control]);
    const further = applyChange(demo, movedRoomEdits(demo, batch.id, 99));
    expect(further.ok && names(further.value)).toEqual([second, third, control]);
    expect(movedRoomEdits(demo, batch.id, 0).length).toBe(3);
  });

  it('is the list where nothing to sit at is in any room', () => {
    expect(roomsInOrder({ rooms: demo.rig.rooms, devices: [] })).toEqual(demo.rig.rooms);
  });
});

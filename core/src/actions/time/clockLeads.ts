import type { Edit } from '../../edits/make';
import { editSet } from '../../edits/make';
import type { DeviceId } from '../../rig/ids';
import type { Device, Rig } from '../../rig/rigSchema';
import type { ClockSchool } from '../../views/time/clockSchools';

/** Lets one of two devices lead: it runs on its own clock, and the other follows it over what joins them. */
export function clockLeadsEdits(rig: Rig, { leader, follower, follows }: ClockSchool): readonly Edit[] {
  const set = (id: DeviceId, value: NonNullable<Device['clock']>): readonly Edit[] => {
    const device = rig.devices.find((each) => each.id === id);
    const was = device?.clock ?? null;
    return device === undefined || was?.follows === value.follows
      ? []
      : [editSet('device', {}, id, { field: 'clock', value, was })];
  };
  return [...set(leader, { follows: 'internal' }), ...set(follower, { follows })];
}

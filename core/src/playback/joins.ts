import { deviceTypeNamed } from '../rig/catalogue/catalogue';
import type { Choosable, LaneKey } from '../rig/deviceModel';
import type { LaneId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { SettingKey } from '../rig/settings';
import { settingKeyOf } from '../rig/settings';

/** A position of a switch that joins two lanes of a device. */
export interface Join {
  readonly key: SettingKey;
  readonly value: number;
  readonly from: LaneId;
  readonly to: LaneId;
}

/** Every join of a device, by both of its ends and by its switch. */
export interface Joins {
  into(to: LaneId): readonly Join[];
  outOf(from: LaneId): readonly Join[];
  /** Everything one switch moves at once. */
  of(key: SettingKey): readonly Join[];
}

/** A large console has tens of thousands of joins: they are listed once for each, since devices never change. */
const known = new WeakMap<Device, Joins>();

function listed(all: readonly Join[], by: (join: Join) => string): (key: string) => readonly Join[] {
  const lists = new Map<string, Join[]>();
  for (const join of all) {
    const list = lists.get(by(join));
    if (list === undefined) lists.set(by(join), [join]);
    else list.push(join);
  }
  return (key) => lists.get(key) ?? [];
}

/** What the patch of a device can join, whatever it joins now. */
export function joinsOf(device: Device): Joins {
  const before = known.get(device);
  if (before !== undefined) return before;
  const lane = ({ port, lane: n }: LaneKey): LaneId => laneIdOf(device.id, port, n);
  const all = (deviceTypeNamed(device.type)?.choosables(device.params) ?? []).map(
    ({ setting, channel, value, from, to }: Choosable): Join => ({
      ...{ key: settingKeyOf(device.id, setting, channel), value },
      ...{ from: lane(from), to: lane(to) },
    }),
  );
  const joins = {
    into: listed(all, ({ to }) => to),
    outOf: listed(all, ({ from }) => from),
    of: listed(all, ({ key }) => key),
  };
  known.set(device, joins);
  return joins;
}

import { settingsOf } from '../rig/buildDevice';
import type { DeviceId } from '../rig/ids';
import type { Device, Rig } from '../rig/rigSchema';
import type { SettingKey, SettingSpec, SettingValue } from '../rig/settings';
import { initialOf, partsOfSettingKey } from '../rig/settings';
import type { Turn } from './step';

type Settings = Readonly<Record<SettingKey, SettingValue>>;

/** A knob with its device, and what it is. */
export interface Knob {
  readonly device: Device;
  readonly spec: SettingSpec;
  readonly channel: number;
}

/** The knob of a key, or undefined where the rig has lost it. */
export function knobOf(rig: Rig, key: SettingKey): Knob | undefined {
  const { deviceId, setting, channel } = partsOfSettingKey(key);
  const device = rig.devices.find(({ id }) => id === deviceId);
  const spec = device && settingsOf(device).find((each) => each.setting === setting);
  return device === undefined || spec === undefined || channel > spec.channels
    ? undefined
    : { device, spec, channel };
}

/** Where a knob stands under some settings. */
export const standsAt = ({ spec, channel }: Knob, stored: SettingValue | null | undefined): SettingValue =>
  stored ?? initialOf(spec, channel);

/** Knobs of a device together, channels in the order they are counted. */
function byKnob(a: SettingKey, b: SettingKey): number {
  const [one, other] = [partsOfSettingKey(a), partsOfSettingKey(b)];
  const text = (parts: typeof one): string => `${parts.deviceId}/${parts.setting}`;
  if (text(one) !== text(other)) return text(one) < text(other) ? -1 : 1;
  return one.channel - other.channel;
}

/** The knobs that stand differently under two sets of settings, in the order of their keys. */
export function turnsBetween(rig: Rig, now: Settings, wanted: Settings): readonly Turn[] {
  const keys = ([...new Set([...Object.keys(now), ...Object.keys(wanted)])] as SettingKey[]).sort(byKnob);
  return keys.flatMap((key): Turn[] => {
    const knob = knobOf(rig, key);
    const [was, value] = [now[key] ?? null, wanted[key] ?? null];
    if (knob === undefined || standsAt(knob, was) === standsAt(knob, value)) return [];
    return [{ key, was, value }];
  });
}

/** Turns by device, in the order of the rig. */
export function byDevice(
  rig: Rig,
  turns: readonly Turn[],
): readonly (readonly [DeviceId, readonly Turn[]])[] {
  return rig.devices.flatMap(({ id }): (readonly [DeviceId, readonly Turn[]])[] => {
    const own = turns.filter(({ key }) => partsOfSettingKey(key).deviceId === id);
    return own.length === 0 ? [] : [[id, own]];
  });
}

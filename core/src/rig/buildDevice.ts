import { deviceTypeNamed } from './catalogue/catalogue';
import type { DeviceModel } from './deviceModel';
import type { Device } from './rigSchema';
import type { SettingKey, SettingSpec, SettingValue } from './settings';
import { settingKeyOf } from './settings';

export type Settings = Readonly<Record<SettingKey, SettingValue>>;

const NOTHING: DeviceModel = { ports: [], routes: [], stations: [] };

/** What a scene may set on a device. */
export const settingsOf = (device: Device): readonly SettingSpec[] =>
  deviceTypeNamed(device.type)?.settings(device.params) ?? [];

/** The value of one knob: as the scene sets it, or its initial one. */
function settingValue(
  device: Device,
  specs: readonly SettingSpec[],
  settings: Settings,
  name: string,
  channel: number,
): SettingValue {
  const spec = specs.find((candidate) => candidate.setting === name);
  return settings[settingKeyOf(device.id, name, channel)] ?? spec?.initial ?? 0;
}

/**
 * Builds the ports, routes and stations of a device under a scene's settings. Pure; a device whose
 * type is not in the catalogue cannot get past the schema, and builds to nothing.
 */
export function buildDevice(device: Device, settings: Settings): DeviceModel {
  const type = deviceTypeNamed(device.type);
  if (type === undefined) return NOTHING;
  const specs = type.settings(device.params);
  return type.build(device.params, (name, channel) => settingValue(device, specs, settings, name, channel));
}

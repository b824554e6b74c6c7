import { deviceTypeNamed } from './catalogue/catalogue';
import type { DeviceModel } from './deviceModel';
import type { Device } from './rigSchema';
import type { ReadSetting, SettingKey, SettingSpec, SettingValue } from './settings';
import { initialOf, settingKeyOf, settingMisfit } from './settings';

export type Settings = Readonly<Record<SettingKey, SettingValue>>;

const NOTHING: DeviceModel = { ports: [], routes: [], stations: [] };

/** Devices are immutable, and the knobs of a large console are many: they are listed once for each. */
const knownSpecs = new WeakMap<Device, readonly SettingSpec[]>();

/** What a scene may set on a device. */
export function settingsOf(device: Device): readonly SettingSpec[] {
  let specs = knownSpecs.get(device);
  if (specs === undefined) {
    specs = deviceTypeNamed(device.type)?.settings(device.params) ?? [];
    knownSpecs.set(device, specs);
  }
  return specs;
}

/** Reads the knobs of a device: as the scene sets them, or where they stand at first. */
export function knobReader(device: Device, settings: Settings): ReadSetting {
  const specs = new Map(settingsOf(device).map((spec) => [spec.setting, spec]));
  return (name, channel) => {
    const set = settings[settingKeyOf(device.id, name, channel)];
    const spec = specs.get(name);
    if (spec === undefined) return 0;
    // A scene may remember a position the knob has lost since; it then stands where it stood at first.
    const fits = set !== undefined && settingMisfit(spec, channel, set) === undefined;
    return fits ? set : initialOf(spec, channel);
  };
}

/**
 * Builds the ports, routes and stations of a device under a scene's settings. Pure; a device whose
 * type is not in the catalogue cannot get past the schema, and builds to nothing.
 */
export function buildDevice(device: Device, settings: Settings): DeviceModel {
  const type = deviceTypeNamed(device.type);
  return type === undefined ? NOTHING : type.build(device.params, knobReader(device, settings));
}

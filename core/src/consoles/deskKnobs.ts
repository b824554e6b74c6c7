import { knobReader, settingsOf } from '../rig/buildDevice';
import type { KnobRef } from '../rig/deviceModel';
import type { Device } from '../rig/rigSchema';
import type { SettingSpec } from '../rig/settings';
import type { Scene } from '../session/sessionSchema';
import type { Knobs } from './cells/cellKind';

/** Devices are immutable, and a large console has many knobs: they are looked up once for each. */
const known = new WeakMap<Device, ReadonlyMap<string, SettingSpec>>();

function specsOf(device: Device): ReadonlyMap<string, SettingSpec> {
  const specs = known.get(device) ?? new Map(settingsOf(device).map((spec) => [spec.setting, spec]));
  known.set(device, specs);
  return specs;
}

/** Settings never change, and a sheet asks for each of its cells: the knobs of a device are read once. */
const knownKnobs = new WeakMap<Scene['settings'], Map<Device, Knobs>>();

/** The knobs of a device as they stand in a scene. */
export function deskKnobs(device: Device, { settings }: Pick<Scene, 'settings'>): Knobs {
  const ofScene = knownKnobs.get(settings) ?? new Map<Device, Knobs>();
  knownKnobs.set(settings, ofScene);
  const knobs = ofScene.get(device) ?? knobsIn(device, settings);
  ofScene.set(device, knobs);
  return knobs;
}

function knobsIn(device: Device, settings: Scene['settings']): Knobs {
  const specs = specsOf(device);
  const read = knobReader(device, settings);
  return {
    spec({ setting, channel }: KnobRef) {
      const spec = specs.get(setting);
      return spec === undefined || channel > spec.channels ? undefined : spec;
    },
    value: ({ setting, channel }) => read(setting, channel),
  };
}

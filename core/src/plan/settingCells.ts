import type { CheckContext } from '../checks/context';
import type { GraphStation } from '../graph/signalGraph';
import { settingsOf } from '../rig/buildDevice';
import type { SettingKey, SettingSpec, SettingValue } from '../rig/settings';
import { initialOf, settingKeyOf } from '../rig/settings';

/** A knob as a screen shows it: where it is, and what it is set to. */
export interface SettingCell {
  readonly key: SettingKey;
  readonly value: SettingValue;
  /** As stored in the scene: null while the knob is at its initial value. */
  readonly stored: SettingValue | null;
  readonly spec: SettingSpec;
}

/** The knobs of a station's channel, in the order of its device. */
export function settingCells({ rig, scene }: CheckContext, station: GraphStation): readonly SettingCell[] {
  const device = rig.devices.find((candidate) => candidate.id === station.device);
  const specs = device === undefined ? [] : settingsOf(device);
  return specs
    .filter((spec) => station.settings.includes(spec.setting))
    .map((spec) => {
      const key = settingKeyOf(station.device, spec.setting, station.channel);
      const stored = scene.settings[key] ?? null;
      return { key, value: stored ?? initialOf(spec, station.channel), stored, spec };
    });
}

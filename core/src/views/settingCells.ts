import type { WorkedScene } from '../scene/workedScene';
import type { GraphStation } from '../graph/signalGraph';
import type { KnobRef } from '../rig/deviceModel';
import type { DeviceId } from '../rig/ids';
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

/** Knobs of one device as they stand in the scene, in the order of the device. */
export function knobCells(
  { devices, scene }: WorkedScene,
  device: DeviceId,
  knobs: readonly KnobRef[],
): readonly SettingCell[] {
  const found = devices.get(device);
  return (found === undefined ? [] : settingsOf(found)).flatMap((spec) =>
    knobs
      .filter(({ setting }) => setting === spec.setting)
      .map(({ channel }) => {
        const key = settingKeyOf(device, spec.setting, channel);
        const stored = scene.settings[key] ?? null;
        return { key, value: stored ?? initialOf(spec, channel), stored, spec };
      }),
  );
}

/** The knobs of a station's channel. */
export const settingCells = (context: WorkedScene, station: GraphStation): readonly SettingCell[] =>
  knobCells(
    context,
    station.device,
    station.settings.map((setting) => ({ setting, channel: station.channel })),
  );

import type { GraphStation } from '../graph/signalGraph';
import { settingsOf } from '../rig/buildDevice';
import type { SettingKey, SettingSpec } from '../rig/settings';
import { initialOf, settingKeyOf } from '../rig/settings';
import type { WorkedScene } from './workedScene';

/** The switch of a converter channel that says what 0 dBFS is in dBu. */
export interface ReferenceKnob {
  readonly key: SettingKey;
  readonly spec: SettingSpec;
}

export function referenceKnob({ devices }: WorkedScene, station: GraphStation): ReferenceKnob | undefined {
  const device = devices.get(station.device);
  const setting = station.settings.find((name) => name.endsWith('ReferenceDbu'));
  const spec = device && settingsOf(device).find((each) => each.setting === setting);
  return spec && { key: settingKeyOf(station.device, spec.setting, station.channel), spec };
}

/** The reference level of a converter channel, dBu at 0 dBFS; undefined for what is no such channel. */
export function referenceOf(context: WorkedScene, station: GraphStation): number | undefined {
  const knob = referenceKnob(context, station);
  if (knob === undefined) return undefined;
  const value = context.scene.settings[knob.key] ?? initialOf(knob.spec, station.channel);
  return typeof value === 'number' ? value : undefined;
}

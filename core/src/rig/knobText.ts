import { formatGain } from '../units/format';
import type { SettingSpec, SettingValue } from './settings';

/** A knob's position as a reader says it: "on", "+38.0 dB", "Mic 3". */
export function knobText(spec: SettingSpec, value: SettingValue): string {
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  const name = spec.names?.[spec.range?.positions?.indexOf(value) ?? -1];
  if (name !== undefined) return name;
  if (spec.unit === 'dB') return `${formatGain(value)} dB`;
  return spec.unit === '' ? String(value) : `${String(value)} ${spec.unit}`;
}

/** A knob of a channel: "3 Gain"; on a unit with one channel "Gain". */
export const knobTitle = (spec: SettingSpec, channel: number): string =>
  spec.channels > 1 ? `${String(channel)} ${spec.title}` : spec.title;

import * as z from 'zod';
import type { DeviceId } from './ids';

export type SettingValue = number | boolean;

/** One knob or switch of a device that a scene may set, per channel. */
export interface SettingSpec {
  readonly setting: string;
  readonly title: string;
  readonly unit: string;
  readonly channels: number;
  readonly initial: SettingValue;
  /** Where channels start differently: the initial value of each, in order. */
  readonly initials?: readonly SettingValue[];
  /** Numbers: the range, and for a switch with positions the positions. */
  readonly range?: { readonly min: number; readonly max: number; readonly positions?: readonly number[] };
  /** What the positions are called, in their order: the sources of a matrix, the inputs of a selector. */
  readonly names?: readonly string[];
}

/** Reads a setting while a device is built: the scene's value, or the knob's initial one. */
export type ReadSetting = (setting: string, channel: number) => SettingValue;

/** `device/setting/channel`, channels counted from 1: "preamp/gainDb/1". */
export const settingKeySchema = z
  .string()
  .regex(/^[a-z0-9-]+\/[a-zA-Z0-9]+\/[1-9][0-9]*$/, 'a setting is written device/setting/channel')
  .brand<'SettingKey'>();
export type SettingKey = z.infer<typeof settingKeySchema>;

export const settingKeyOf = (deviceId: DeviceId, setting: string, channel: number): SettingKey =>
  `${deviceId}/${setting}/${channel}` as SettingKey;

export function partsOfSettingKey(key: SettingKey): { deviceId: DeviceId; setting: string; channel: number } {
  const [deviceId, setting, channel] = key.split('/') as [string, string, string];
  return { deviceId: deviceId as DeviceId, setting, channel: Number(channel) };
}

/** Where a channel's knob stands until a scene turns it. */
export const initialOf = (spec: SettingSpec, channel: number): SettingValue =>
  spec.initials?.[channel - 1] ?? spec.initial;

/** Why a value does not fit a setting, as data; undefined when it fits. */
export function settingMisfit(
  spec: SettingSpec,
  channel: number,
  value: SettingValue,
): 'no-such-channel' | 'wrong-kind' | 'out-of-range' | 'not-a-position' | undefined {
  if (channel > spec.channels) return 'no-such-channel';
  if (typeof value !== typeof spec.initial) return 'wrong-kind';
  if (typeof value !== 'number' || spec.range === undefined) return undefined;
  if (value < spec.range.min || value > spec.range.max) return 'out-of-range';
  return spec.range.positions?.includes(value) === false ? 'not-a-position' : undefined;
}

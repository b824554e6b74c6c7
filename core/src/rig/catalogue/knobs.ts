import type { SettingSpec } from '../settings';

interface Range {
  readonly min: number;
  readonly max: number;
}

/** A knob in dB. */
export const gainKnob = (
  setting: string,
  title: string,
  channels: number,
  initial: number,
  range: Range,
): SettingSpec => ({ setting, title, unit: 'dB', channels, initial, range });

/** A switch that is on or off. */
export const onOff = (setting: string, title: string, channels: number, initial = false): SettingSpec => ({
  setting,
  title,
  unit: '',
  channels,
  initial,
});

/** A switch with figures on it. */
export const positions = (
  setting: string,
  title: string,
  unit: string,
  channels: number,
  initial: number,
  at: readonly number[],
): SettingSpec => ({
  setting,
  title,
  unit,
  channels,
  initial,
  range: { min: Math.min(...at), max: Math.max(...at), positions: at },
});

/**
 * A selector of sources: 0 is none, n is the n-th of `names`.
 * @param initial for every channel alike; matrices that start one to one say so where they are built.
 */
export function selector(
  setting: string,
  title: string,
  channels: number,
  names: readonly string[],
  initial = 0,
): SettingSpec {
  const all = ['none', ...names];
  return {
    ...positions(
      setting,
      title,
      '',
      channels,
      initial,
      all.map((_, i) => i),
    ),
    names: all,
  };
}

/** Faders and sends, as most desks have them. Common practice, no source. */
export const FADER_RANGE: Range = { min: -90, max: 12 };
export const TRIM_RANGE: Range = { min: -20, max: 20 };

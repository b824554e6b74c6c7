import { buildDevice, settingsOf } from '../../rig/buildDevice';
import type { KnobRef, LaneKey } from '../../rig/deviceModel';
import { knobText, knobTitle } from '../../rig/knobText';
import type { Device } from '../../rig/rigSchema';
import type { SettingKey, SettingSpec, SettingValue } from '../../rig/settings';
import { settingKeyOf } from '../../rig/settings';
import type { Scene } from '../../session/sessionSchema';

/** A knob that would let sound through, and where it would have to stand. */
export interface Opener {
  readonly key: SettingKey;
  readonly knob: KnobRef;
  readonly title: string;
  readonly value: SettingValue;
  readonly valueText: string;
}

type Settings = Scene['settings'];

/** Switches that close what they are pressed for. */
const CLOSES = /mute|cut/i;

const openState = ({ setting, initial }: SettingSpec): SettingValue | undefined =>
  typeof initial === 'boolean' ? !CLOSES.test(setting) : undefined;

/** All switches as they let through, and every selector that chooses nothing at its first position. */
function allOpen(device: Device, settings: Settings): Settings {
  const open: Record<SettingKey, SettingValue> = { ...settings };
  for (const spec of settingsOf(device)) {
    const state = openState(spec) ?? (spec.names === undefined ? undefined : 1);
    for (let channel = 1; state !== undefined && channel <= spec.channels; channel++) {
      const key = settingKeyOf(device.id, spec.setting, channel);
      if (typeof state === 'boolean' || (settings[key] ?? spec.initial) === 0) open[key] = state;
    }
  }
  return open;
}

const leadsIn = (device: Device, settings: Settings, { port, lane }: LaneKey) =>
  buildDevice(device, settings).routes.filter(({ to }) => to.port === port && to.lane === lane);

/** Selectors there are once: which set, which source. */
const once = (device: Device): readonly SettingSpec[] =>
  settingsOf(device).filter(({ channels, names }) => channels === 1 && names !== undefined);

/** The knobs that act on what could lead into a lane, whatever their positions. */
function candidates(device: Device, settings: Settings, lane: LaneKey): readonly KnobRef[] {
  const open = allOpen(device, settings);
  const tried: readonly Settings[] = [
    open,
    ...once(device).flatMap(({ setting, range }) =>
      (range?.positions ?? []).map((at) => ({ ...open, [settingKeyOf(device.id, setting, 1)]: at })),
    ),
  ];
  const refs = tried.flatMap((each) => leadsIn(device, each, lane).flatMap(({ knobs }) => knobs ?? []));
  return [...new Map(refs.map((ref) => [`${ref.setting}/${String(ref.channel)}`, ref])).values()];
}

/** The knobs of a device of which any one, turned for itself, would lead something into a lane. */
export function openersOf(device: Device, settings: Settings, lane: LaneKey): readonly Opener[] {
  return candidates(device, settings, lane).flatMap((knob): readonly Opener[] => {
    const spec = settingsOf(device).find(({ setting }) => setting === knob.setting);
    if (spec === undefined) return [];
    const key = settingKeyOf(device.id, knob.setting, knob.channel);
    const positions: readonly SettingValue[] =
      typeof spec.initial === 'boolean' ? [true, false] : (spec.range?.positions ?? []);
    const value = positions.find((at) => leadsIn(device, { ...settings, [key]: at }, lane).length > 0);
    return value === undefined
      ? []
      : [{ key, knob, title: knobTitle(spec, knob.channel), value, valueText: knobText(spec, value) }];
  });
}

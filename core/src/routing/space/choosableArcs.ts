import type { SignalGraph } from '../../graph/signalGraph';
import { settingsOf } from '../../rig/buildDevice';
import { deviceTypeNamed } from '../../rig/catalogue/catalogue';
import type { LaneId } from '../../rig/ids';
import { laneIdOf } from '../../rig/ids';
import type { Device, Rig } from '../../rig/rigSchema';
import type { SettingKey, SettingSpec, SettingValue } from '../../rig/settings';
import { initialOf, settingKeyOf } from '../../rig/settings';
import type { Scene } from '../../session/sessionSchema';

/** A route that a knob can close, between lanes of the graph. */
export interface ChoosableArc {
  readonly from: number;
  readonly to: number;
  /** Index into the knobs. */
  readonly knob: number;
  readonly value: number;
}

/** A knob the router may turn. */
export interface RouterKnob {
  readonly key: SettingKey;
  /** Where it stands now. */
  readonly value: SettingValue;
  readonly initial: SettingValue;
  /** Set by somebody, and not merely standing where it stood at first. */
  readonly set: boolean;
}

export interface Choosables {
  readonly arcs: readonly ChoosableArc[];
  readonly knobs: readonly RouterKnob[];
}

interface DeviceChoice {
  readonly from: LaneId;
  readonly to: LaneId;
  readonly key: SettingKey;
  readonly setting: string;
  readonly channel: number;
  readonly value: number;
}

/** A large matrix has thousands of crosspoints; devices are immutable, so they are listed once for each. */
const knownChoices = new WeakMap<Device, readonly DeviceChoice[]>();

function choicesOf(device: Device): readonly DeviceChoice[] {
  const known = knownChoices.get(device);
  if (known !== undefined) return known;
  const listed = deviceTypeNamed(device.type)?.choosables(device.params) ?? [];
  const made = listed.map(({ from, to, setting, channel, value }) => ({
    from: laneIdOf(device.id, from.port, from.lane),
    to: laneIdOf(device.id, to.port, to.lane),
    key: settingKeyOf(device.id, setting, channel),
    setting,
    channel,
    value,
  }));
  knownChoices.set(device, made);
  return made;
}

function knobAt(
  device: Device,
  spec: SettingSpec | undefined,
  key: SettingKey,
  channel: number,
  scene: Scene,
): RouterKnob {
  const initial = spec === undefined ? 0 : initialOf(spec, channel);
  const value = scene.settings[key];
  return { key, value: value ?? initial, initial, set: value !== undefined };
}

/** Every route a knob of the rig can close, whether it is closed now or not. */
export function choosablesOf(rig: Rig, scene: Scene, graph: SignalGraph): Choosables {
  const arcs: ChoosableArc[] = [];
  const knobs: RouterKnob[] = [];
  const knobOf = new Map<SettingKey, number>();
  for (const device of rig.devices) {
    const choices = choicesOf(device);
    if (choices.length === 0) continue;
    const specs = new Map(settingsOf(device).map((spec) => [spec.setting, spec]));
    for (const { from, to, key, setting, channel, value } of choices) {
      let knob = knobOf.get(key);
      if (knob === undefined) {
        knob = knobs.length;
        knobOf.set(key, knob);
        knobs.push(knobAt(device, specs.get(setting), key, channel, scene));
      }
      const [start, end] = [graph.laneIndex.get(from), graph.laneIndex.get(to)];
      if (start === undefined || end === undefined || graph.faulty.has(start) || graph.faulty.has(end))
        continue;
      arcs.push({ from: start, to: end, knob, value });
    }
  }
  return { arcs, knobs };
}

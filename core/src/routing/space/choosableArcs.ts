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
  /** The lanes the arcs join, as pair keys. */
  readonly joined: ReadonlySet<number>;
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

const initialAt = (spec: SettingSpec | undefined, channel: number): SettingValue =>
  spec === undefined ? 0 : initialOf(spec, channel);

function standing({ key, initial }: Pick<RouterKnob, 'key' | 'initial'>, scene: Scene): RouterKnob {
  const value = scene.settings[key];
  return { key, value: value ?? initial, initial, set: value !== undefined };
}

/** Two lanes as one number. */
export const pairKey = (from: number, to: number): number => from * 0x4000000 + to;

/** What the routes of a rig's knobs are, wherever the knobs stand. */
interface Ground {
  readonly arcs: readonly ChoosableArc[];
  readonly knobs: readonly Pick<RouterKnob, 'key' | 'initial'>[];
  readonly joined: ReadonlySet<number>;
  readonly keys: ReadonlySet<SettingKey>;
}

function listGround(rig: Rig, graph: SignalGraph): Ground {
  const arcs: ChoosableArc[] = [];
  const knobs: Pick<RouterKnob, 'key' | 'initial'>[] = [];
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
        knobs.push({ key, initial: initialAt(specs.get(setting), channel) });
      }
      const [start, end] = [graph.laneIndex.get(from), graph.laneIndex.get(to)];
      if (start === undefined || end === undefined || graph.faulty.has(start) || graph.faulty.has(end))
        continue;
      arcs.push({ from: start, to: end, knob, value });
    }
  }
  return {
    ...{ arcs, knobs, keys: new Set(knobOf.keys()) },
    joined: new Set(arcs.map(({ from, to }) => pairKey(from, to))),
  };
}

/** Graphs of one rig share the index of their lanes, so each rig is listed once. */
const grounds = new WeakMap<SignalGraph['laneIndex'], Ground>();

function groundOf(rig: Rig, graph: SignalGraph): Ground {
  const ground = grounds.get(graph.laneIndex) ?? listGround(rig, graph);
  grounds.set(graph.laneIndex, ground);
  return ground;
}

/** Every route a knob of the rig can close, whether it is closed now or not. */
export function choosablesOf(rig: Rig, scene: Scene, graph: SignalGraph): Choosables {
  const { arcs, joined, knobs } = groundOf(rig, graph);
  return { arcs, joined, knobs: knobs.map((knob) => standing(knob, scene)) };
}

/** The knobs the router may turn. */
export const choosableKeys = (rig: Rig, graph: SignalGraph): ReadonlySet<SettingKey> =>
  groundOf(rig, graph).keys;

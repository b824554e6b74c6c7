import { edgesInto } from '../graph/walk';
import { knobReader, settingsOf } from '../rig/buildDevice';
import type { KnobRef } from '../rig/deviceModel';
import type { DeviceId } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { SettingSpec } from '../rig/settings';
import type { WorkedScene } from '../scene/workedScene';
import { earSides } from './earSides';

/** The volume of a pair of headphones: the last level knob before them, one for both sides or one each. */
export interface Volume {
  readonly device: Device;
  readonly spec: SettingSpec;
  readonly min: number;
  readonly max: number;
  /** Left and right; the same knob twice where it turns both. */
  readonly sides: readonly [VolumeSide, VolumeSide];
}

export interface VolumeSide {
  readonly knob: KnobRef;
  readonly valueDb: number;
}

/** The lane with electronics that drives a lane over copper; undefined where nothing does. */
export function drivenBy({ graph }: WorkedScene, lane: number): number | undefined {
  const seen = new Set([lane]);
  for (const at of seen)
    for (const edge of edgesInto(graph, at)) {
      if (!edge.passive) continue;
      const from = graph.lanes[edge.from];
      if (from?.direction === 'out' && from.medium !== 'any') return from.index;
      seen.add(edge.from);
    }
  return undefined;
}

interface Found {
  readonly device: Device;
  readonly spec: SettingSpec;
  readonly side: VolumeSide;
}

/** The level knob that acts on what an output gives. */
function levelKnobAt(context: WorkedScene, output: number): Found | undefined {
  const device = context.devices.get(context.graph.lanes[output]?.device ?? ('' as DeviceId));
  if (device === undefined) return undefined;
  const read = knobReader(device, context.scene.settings);
  for (const { knobs = [] } of edgesInto(context.graph, output))
    for (const knob of knobs) {
      const spec = settingsOf(device).find(({ setting }) => setting === knob.setting);
      const valueDb = read(knob.setting, knob.channel);
      if (spec?.unit === 'dB' && typeof valueDb === 'number')
        return { device, spec, side: { knob, valueDb } };
    }
  return undefined;
}

/** Undefined where no output drives the headphones, or one that has no level knob. */
export function volumeOf(context: WorkedScene, headphones: DeviceId): Volume | undefined {
  const found = earSides(context.graph, headphones).flatMap((side) => {
    const output = drivenBy(context, side);
    return (output === undefined ? undefined : levelKnobAt(context, output)) ?? [];
  });
  const [left, right = left] = found;
  if (left === undefined || right === undefined) return undefined;
  const { min = -Infinity, max = Infinity } = left.spec.range ?? {};
  return { device: left.device, spec: left.spec, min, max, sides: [left.side, right.side] };
}

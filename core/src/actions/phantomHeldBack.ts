import type { KnobRef } from '../rig/deviceModel';
import type { DeviceId } from '../rig/ids';
import { harmedOn } from '../scene/phantomHarm';
import type { WorkedScene } from '../scene/workedScene';

/** The names of what 48 V from a switch may harm. */
function harmedBy(
  { graph }: WorkedScene,
  device: DeviceId,
  { setting, channel }: KnobRef,
): readonly string[] {
  const inputs = graph.lanes.filter(
    (lane) =>
      lane.device === device &&
      lane.input?.phantom?.setting === setting &&
      lane.input.phantom.channel === channel,
  );
  return inputs.flatMap(({ index }) => harmedOn(graph, index).map(({ lane }) => lane.name));
}

/**
 * Why 48 V that comes onto many lines at once stays off on one; undefined where it harms nothing as far as is known.
 * One line at a time is for the engineer to decide, who sees the finding.
 */
export function phantomHeldBack(context: WorkedScene, device: DeviceId, knob: KnobRef): string | undefined {
  const harmed = harmedBy(context, device, knob);
  return harmed.length === 0
    ? undefined
    : `48 V could harm ${harmed.join(', ')}. It is left off here; switch this one by hand if it is meant.`;
}

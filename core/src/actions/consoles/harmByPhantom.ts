import type { KnobRef } from '../../rig/deviceModel';
import type { Device } from '../../rig/rigSchema';
import { harmedOn } from '../../scene/phantomHarm';
import type { WorkedScene } from '../../scene/workedScene';

/** The names of what 48 V from a switch may harm. */
export function harmByPhantom({ graph }: WorkedScene, device: Device, knob: KnobRef): readonly string[] {
  const inputs = graph.lanes.filter(
    ({ device: of, input }) =>
      of === device.id && input?.phantom?.setting === knob.setting && input.phantom.channel === knob.channel,
  );
  return inputs.flatMap(({ index }) => harmedOn(graph, index).map(({ lane }) => lane.name));
}

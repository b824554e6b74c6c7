import type { SignalGraph } from '../graph/signalGraph';
import { rigMemo } from '../graph/rigMemo';
import { edgesInto } from '../graph/walk';
import type { DeviceId } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { Quiet } from '../repatch/step';
import type { WorkedScene } from '../scene/workedScene';

/** What people listen to, and what on the way to it has a level knob or can be switched off. */
const LISTENING: Readonly<Record<Quiet, { readonly ears: string; readonly mutes: ReadonlySet<string> }>> = {
  monitors: {
    ears: 'loudspeaker',
    mutes: new Set(['monitorController', 'splitConsole', 'digitalConsole', 'powerAmp']),
  },
  cues: { ears: 'headphones', mutes: new Set(['cueAmp', 'headphoneBox', 'headphoneJunction']) },
};

/** The inputs of every device, which are the same in all scenes of a rig. */
const inputsByDevice = rigMemo(({ lanes }) => {
  const inputs = new Map<DeviceId, number[]>();
  for (const { device, direction, index } of lanes)
    if (direction === 'in') {
      const own = inputs.get(device);
      if (own === undefined) inputs.set(device, [index]);
      else own.push(index);
    }
  return inputs;
});

/** Lanes that lead to an ear without passing anything that can be muted, its own connectors left out. */
function unmuted(
  graph: SignalGraph,
  devices: ReadonlyMap<DeviceId, Device>,
  own: readonly number[],
  mutes: ReadonlySet<string>,
): readonly number[] {
  const lanes = new Set(own);
  for (const lane of lanes)
    for (const { from } of edgesInto(graph, lane)) {
      const device = devices.get(graph.lanes[from]?.device ?? ('' as DeviceId));
      if (device !== undefined && !mutes.has(device.type)) lanes.add(from);
    }
  return [...lanes].slice(own.length);
}

/** A place that can bang or sound: a jack that takes a plug, or an output with electronics behind it. */
const isLive = (graph: SignalGraph, lane: number): boolean => {
  const at = graph.lanes[lane];
  return at?.output !== undefined || (at?.medium === 'any' && at.face === 'front');
};

/** Loudspeakers or headphones that something reaches past every mute. */
export function openEars({ rig, devices, graph }: WorkedScene, quiet: Quiet): readonly DeviceId[] {
  const { ears, mutes } = LISTENING[quiet];
  const inputs = inputsByDevice(graph);
  return rig.devices
    .filter(({ type }) => type === ears)
    .map(({ id }) => id)
    .filter((ear) =>
      unmuted(graph, devices, inputs.get(ear) ?? [], mutes).some((lane) => isLive(graph, lane)),
    );
}

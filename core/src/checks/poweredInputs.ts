import type { Lane, SignalGraph } from '../graph/signalGraph';
import { settingKeyOf } from '../rig/settings';
import type { CheckContext } from './context';
import type { EntityRef } from './finding';

/** An input with 48 V on it. */
export interface PoweredInput {
  readonly lane: Lane;
  /** The preamp channel behind it; the connector itself where the channel listens to something else. */
  readonly ref: EntityRef & { readonly kind: 'station' | 'lane' };
}

/** Inputs that can be given 48 V; graphs of one rig share their lanes' index, so each rig is looked through once. */
const feedable = new WeakMap<SignalGraph['laneIndex'], readonly number[]>();

function feedableLanes({ lanes, laneIndex }: SignalGraph): readonly number[] {
  let found = feedable.get(laneIndex);
  if (found === undefined) {
    found = lanes.filter(({ input }) => input?.phantom !== undefined).map(({ index }) => index);
    feedable.set(laneIndex, found);
  }
  return found;
}

/**
 * The inputs whose 48 V is on in the scene. The switch acts on the connector: a console channel that
 * listens to its line input still feeds its microphone line.
 */
export function poweredInputs({ graph, scene }: CheckContext): readonly PoweredInput[] {
  return feedableLanes(graph).flatMap((index): PoweredInput[] => {
    const lane = graph.lanes[index];
    const knob = lane?.input?.phantom;
    if (lane === undefined || knob === undefined) return [];
    if (scene.settings[settingKeyOf(lane.device, knob.setting, knob.channel)] !== true) return [];
    const station = graph.stations.find((each) => each.in === index)?.id;
    return [
      { lane, ref: station === undefined ? { kind: 'lane', id: lane.id } : { kind: 'station', id: station } },
    ];
  });
}

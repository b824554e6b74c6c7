import { rigMemo } from '../graph/rigMemo';
import type { Lane } from '../graph/signalGraph';
import { stationStartingAt } from '../graph/stationStartingAt';
import { settingKeyOf } from '../rig/settings';
import type { WorkedScene } from './workedScene';
import type { EntityRef } from '../session/entityRef';

/** An input with 48 V on it. */
export interface PoweredInput {
  readonly lane: Lane;
  /** The preamp channel behind it; the connector itself where the channel listens to something else. */
  readonly ref: EntityRef & { readonly kind: 'station' | 'lane' };
}

/** Inputs that can be given 48 V. */
const feedableLanes = rigMemo(({ lanes }) =>
  lanes.filter(({ input }) => input?.phantom !== undefined).map(({ index }) => index),
);

/**
 * The inputs whose 48 V is on in the scene. The switch acts on the connector: a console channel that
 * listens to its line input still feeds its microphone line.
 */
export function poweredInputs({ graph, scene }: WorkedScene): readonly PoweredInput[] {
  return feedableLanes(graph).flatMap((index): PoweredInput[] => {
    const lane = graph.lanes[index];
    const knob = lane?.input?.phantom;
    if (lane === undefined || knob === undefined) return [];
    if (scene.settings[settingKeyOf(lane.device, knob.setting, knob.channel)] !== true) return [];
    const station = stationStartingAt(graph).get(index)?.id;
    return [
      { lane, ref: station === undefined ? { kind: 'lane', id: lane.id } : { kind: 'station', id: station } },
    ];
  });
}

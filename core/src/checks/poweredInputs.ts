import type { Lane } from '../graph/signalGraph';
import { settingKeyOf } from '../rig/settings';
import type { CheckContext } from './context';
import type { EntityRef } from './finding';

/** An input with 48 V on it. */
export interface PoweredInput {
  readonly lane: Lane;
  /** The preamp channel behind it; the connector itself where the channel listens to something else. */
  readonly ref: EntityRef & { readonly kind: 'station' | 'lane' };
}

/**
 * The inputs whose 48 V is on in the scene. The switch acts on the connector: a console channel that
 * listens to its line input still feeds its microphone line.
 */
export function poweredInputs({ graph, scene }: CheckContext): readonly PoweredInput[] {
  const stationAt = new Map(graph.stations.map((station) => [station.in, station.id]));
  return graph.lanes.flatMap((lane): PoweredInput[] => {
    const knob = lane.input?.phantom;
    if (knob === undefined || scene.settings[settingKeyOf(lane.device, knob.setting, knob.channel)] !== true)
      return [];
    const station = stationAt.get(lane.index);
    return [
      { lane, ref: station === undefined ? { kind: 'lane', id: lane.id } : { kind: 'station', id: station } },
    ];
  });
}

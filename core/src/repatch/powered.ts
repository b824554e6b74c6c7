import { copperFrom } from '../graph/nets';
import type { SignalGraph } from '../graph/signalGraph';
import type { LaneId } from '../rig/ids';
import type { SettingKey } from '../rig/settings';
import { settingKeyOf } from '../rig/settings';

/** The 48 V switches of the inputs that hang on the copper a jack is part of, in either direction. */
function switchesAt(graph: SignalGraph, jack: LaneId): readonly SettingKey[] {
  const lane = graph.laneIndex.get(jack);
  if (lane === undefined) return [];
  // 48 V runs up the line from the input, so the jack may lie on either side of what feeds it.
  const drivers = copperFrom(graph, lane, 'to');
  const copper = new Set(drivers.flatMap((at) => copperFrom(graph, at, 'from')));
  return [...copper].flatMap((at) => {
    const phantom = graph.lanes[at]?.input?.phantom;
    const device = graph.lanes[at]?.device;
    return phantom === undefined || device === undefined
      ? []
      : [settingKeyOf(device, phantom.setting, phantom.channel)];
  });
}

/** All 48 V switches whose lines are opened or closed at one of these jacks, in the order of their keys. */
export const switchesTouched = (graph: SignalGraph, jacks: readonly LaneId[]): readonly SettingKey[] =>
  [...new Set(jacks.flatMap((jack) => switchesAt(graph, jack)))].sort();

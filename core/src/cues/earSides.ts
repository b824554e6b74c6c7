import type { SignalGraph } from '../graph/signalGraph';
import type { DeviceId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';

/** The two sides of a pair of headphones as lanes of the graph; −1 where a rig has lost them. */
export const earSides = ({ laneIndex }: SignalGraph, headphones: DeviceId): readonly [number, number] => [
  laneIndex.get(laneIdOf(headphones, 'in', 1)) ?? -1,
  laneIndex.get(laneIdOf(headphones, 'in', 2)) ?? -1,
];

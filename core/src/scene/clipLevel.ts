import { maxLevel } from '../levels/maxLevel';
import type { WorkedScene } from './workedScene';

/**
 * The level at which a lane clips, in its unit; undefined where it is not known. Inside a host levels are floating
 * point: a bus over full scale that comes down before its output is whole, and nothing clips before it leaves.
 */
export function clipLevel({ graph, devices }: WorkedScene, index: number): number | undefined {
  const lane = graph.lanes[index];
  if (lane === undefined) return undefined;
  const isFloating = lane.face === 'inside' && devices.get(lane.device)?.type === 'dawHost';
  return isFloating ? undefined : maxLevel(lane);
}

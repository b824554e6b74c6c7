import type { LaneId } from '../rig/ids';
import type { FloorCord } from '../session/floorSchema';
import type { WantedCord } from './step';

/** What a cord on the floor can do for a wanted one: it is there already, or one of its ends is moved. */
export type Use = 'stays' | 'from' | 'to';

const sameAdaptors = (cord: FloorCord, wanted: WantedCord): boolean =>
  cord.fromAdaptor === wanted.fromAdaptor && cord.toAdaptor === wanted.toAdaptor;

/** The jack an end is moved out of. */
const leaves = (cord: FloorCord, end: 'from' | 'to'): LaneId => (end === 'from' ? cord.id : cord.to);

/**
 * How a cord becomes a wanted one of the same plugs; undefined where it cannot by one movement.
 * @param neededEarly jacks that something that is not heard will need.
 * @param isHeard whether something plugged into a jack is heard directly: such a step comes last.
 */
export function useOf(
  cord: FloorCord,
  wanted: WantedCord,
  neededEarly: ReadonlySet<LaneId>,
  isHeard: (jack: LaneId) => boolean,
): Use | undefined {
  if (!sameAdaptors(cord, wanted)) return undefined;
  const [sameFrom, sameTo] = [cord.id === wanted.from, cord.to === wanted.to];
  if (sameFrom && sameTo) return 'stays';
  if (!sameFrom && !sameTo) return undefined;
  const end = sameFrom ? 'to' : 'from';
  // A step that comes last cannot make room for one that comes before it.
  const isLate = isHeard(wanted.from) || isHeard(wanted.to);
  return isLate && neededEarly.has(leaves(cord, end)) ? undefined : end;
}

/** The jacks of wanted cords that are not heard. */
export const jacksNeededEarly = (
  wanted: readonly WantedCord[],
  isHeard: (jack: LaneId) => boolean,
): ReadonlySet<LaneId> =>
  new Set(
    wanted
      .filter(({ from, to }) => !isHeard(from) && !isHeard(to))
      .flatMap(({ from, to }): readonly LaneId[] => [from, to]),
  );

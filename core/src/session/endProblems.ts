import type { LaneId } from '../rig/ids';
import type { Path, Problem } from './problem';
import type { RigIndex } from './rigIndex';

/** What is wrong with one end of a cable: it leads nowhere, faces the wrong way, or cannot take it. */
export function endProblems(
  id: LaneId,
  needs: 'in' | 'out',
  cable: 'cord' | 'wire',
  path: Path,
  index: RigIndex,
): readonly Problem[] {
  const lane = index.lane(id);
  if (lane === undefined) return [{ code: 'dangling', path, kind: 'lane', id }];
  if (lane.port.direction !== needs) return [{ code: 'wrong-direction', path, id, needs }];
  if (cable === 'cord' && lane.port.face !== 'front') return [{ code: 'not-a-jack', path, id }];
  if (cable === 'wire' && lane.port.face === 'inside') return [{ code: 'not-wirable', path, id }];
  return [];
}

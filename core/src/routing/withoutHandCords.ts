import type { LaneId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { Scene, Session, Thread } from '../session/sessionSchema';
import { itemsFor } from './demands';
import { Board } from './solve/board';
import { buildSpace } from './space/buildSpace';

/**
 * The jacks, held by cords planned by hand, that a thread would use if these cords were not there; undefined
 * where it would find no way even then.
 */
export function handHeldJacks(
  rig: Rig,
  session: Session,
  scene: Scene,
  thread: Thread,
): readonly LaneId[] | undefined {
  const space = buildSpace(rig, session, { ...scene, cords: [] }, []);
  const board = new Board(space, itemsFor(space.graph, session, [thread], space.weights));
  const [way] = board.find(0) ?? [];
  if (way === undefined) return undefined;
  const held = new Set(
    scene.cords.filter((cord) => cord.thread === undefined).flatMap(({ from, to }) => [from, to]),
  );
  const lanes = [way.start, ...way.steps.flatMap(({ from, to }) => [from, to])];
  const ids = [...new Set(lanes)].flatMap((lane) => space.graph.lanes[lane]?.id ?? []);
  const jacks = ids.filter((id) => held.has(id));
  return jacks.length === 0 ? undefined : jacks;
}

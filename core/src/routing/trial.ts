import type { SignalGraph } from '../graph/signalGraph';
import type { ThreadId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { Scene, Session, Thread } from '../session/sessionSchema';
import { itemsFor } from './demands';
import type { Obstacle } from './diagnose';
import { diagnose } from './diagnose';
import { prepare } from './prepare';
import { putStanding } from './solve/solve';
import type { Way } from './solve/way';
import { NONE } from './space/routingSpace';
import { handHeldJacks } from './withoutHandCords';

/** What a thread would take if it were asked for something else. */
export type Trial =
  | { readonly found: true; readonly cost: number; readonly cords: number }
  | { readonly found: false; readonly obstacle: Obstacle };

export interface Trials {
  readonly graph: SignalGraph;
  readonly trial: (thread: Thread) => Trial;
}

/** Tries variants of one thread against everybody else as they stand. Nothing is changed. */
export function trialsFor(rig: Rig, session: Session, scene: Scene, id: ThreadId): Trials {
  const { threads, space, items, standing, makeBoard } = prepare(rig, session, scene, [id]);
  const board = makeBoard();
  putStanding(board, standing);
  const ways = new Map<ThreadId, Way>();
  items.forEach(({ demands }, item) => {
    if (demands.some(({ thread }) => thread === id)) board.set(item, undefined);
    demands.forEach(({ thread }, side) => {
      const way = board.ways(item)?.[side];
      if (way !== undefined) ways.set(thread, way);
    });
  });
  const cordCount = ({ steps }: Way): number =>
    steps.filter((step) => step.kind === 'cord' || (space.arcs.cord[step.arc] ?? NONE) >= 0).length;
  return {
    graph: space.graph,
    trial: (thread) => {
      const [item] = itemsFor(space.graph, session, [thread], space.weights);
      const [made] = item?.demands ?? [];
      if (made === undefined) throw new Error('one thread makes one demand');
      const demand = { ...made, number: threads.length };
      const way = board.finder.find(demand);
      if (way !== undefined) return { found: true, cost: way.cost, cords: cordCount(way) };
      const others = threads.map((each) => (each.id === id ? thread : each));
      const obstacle = diagnose({
        ...{ board, thread, demand, ways },
        threads: others,
        width: 1,
        withoutHandCords: () => handHeldJacks(rig, session, scene, thread),
      });
      if (obstacle.code !== 'held') return { found: false, obstacle };
      // That the thing tried should not be tried helps nobody.
      const { unpin: _tried, ...held } = obstacle;
      return { found: false, obstacle: held };
    },
  };
}

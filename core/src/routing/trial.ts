import type { SignalGraph } from '../graph/signalGraph';
import type { ThreadId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { Scene, Session, Thread } from '../session/sessionSchema';
import type { AccountLine } from './account';
import { accountOf } from './account';
import { itemsFor } from './demands';
import { prepare } from './prepare';
import { putStanding } from './solve/solve';
import type { Demand, Item } from './solve/demand';
import type { Way } from './solve/way';
import { NONE } from './space/routingSpace';
import { diagnose } from './why/diagnose';
import type { Obstacle } from './why/obstacle';

/** A way that a variant of a thread would have. */
export interface FoundTrial {
  readonly found: true;
  readonly cost: number;
  readonly cords: number;
  readonly account: readonly AccountLine[];
}

/** What a thread would take if it were asked for something else. */
export type Trial = FoundTrial | { readonly found: false; readonly obstacle: Obstacle };

export interface Trials {
  readonly graph: SignalGraph;
  /** Tries a variant; where it has no way, looks for the reason, which takes several times as long. */
  readonly trial: (thread: Thread) => Trial;
  /** Tries a variant without asking for the reason. */
  readonly attempt: (thread: Thread) => FoundTrial | undefined;
  /** What the way it has now costs; undefined where it does not run. */
  readonly standing: readonly AccountLine[] | undefined;
}

/** The way a thread has now. */
function standingOf(
  items: readonly Item[],
  standing: readonly (readonly (Way | undefined)[])[],
  id: ThreadId,
): Way | undefined {
  for (const [i, { demands }] of items.entries()) {
    const side = demands.findIndex(({ thread }) => thread === id);
    if (side >= 0) return standing[i]?.[side];
  }
  return undefined;
}

/** Tries variants of one thread against everybody else as they stand. Nothing is changed. */
// eslint-disable-next-line max-lines-per-function -- the variants share one board
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
  const lengths = new Map<string, number>(rig.cords.map((stock) => [stock.id, stock.lengthM]));
  const own = items.find(({ demands }) => demands.some(({ thread }) => thread === id));
  const ownDemand = own?.demands.find(({ thread }) => thread === id);
  const ownWay = standingOf(items, standing, id);
  const cordCount = ({ steps }: Way): number =>
    steps.filter((step) => step.kind === 'cord' || (space.arcs.cord[step.arc] ?? NONE) >= 0).length;
  const demandOf = (thread: Thread): Demand => {
    const [item] = itemsFor(space.graph, session, [thread], space.weights);
    const [made] = item?.demands ?? [];
    if (made === undefined) throw new Error('one thread makes one demand');
    return { ...made, number: threads.length };
  };
  const attempt = (demand: Demand): FoundTrial | undefined => {
    const way = board.finder.find(demand);
    return (
      way && {
        ...{ found: true, cost: way.cost, cords: cordCount(way) },
        account: accountOf(space, demand, way, lengths),
      }
    );
  };
  return {
    graph: space.graph,
    standing: ownDemand && ownWay && accountOf(space, ownDemand, ownWay, lengths),
    attempt: (thread) => attempt(demandOf(thread)),
    trial: (thread) => {
      const demand = demandOf(thread);
      const found = attempt(demand);
      if (found !== undefined) return found;
      const others = threads.map((each) => (each.id === id ? thread : each));
      const obstacle = diagnose({
        ...{ rig, session, scene, board, thread, demand, ways },
        threads: others,
        sides: [demand],
        seeksRemedy: false,
      });
      return { found: false, obstacle };
    },
  };
}

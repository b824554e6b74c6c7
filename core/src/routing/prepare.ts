import { compileNear } from '../graph/recompile';
import type { ThreadId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { Cord, Scene, Session, Thread } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';
import { itemsFor } from './demands';
import { normalsElsewhere } from './normalsElsewhere';
import { knobsOf } from './patch';
import type { Realisation } from './realise';
import { realiseAll } from './realiseAll';
import { Board } from './solve/board';
import type { Item } from './solve/demand';
import type { Way } from './solve/way';
import { buildSpace } from './space/buildSpace';
import type { RoutingSpace } from './space/routingSpace';
import { standingWay } from './standing';

/** Everything a routing starts from. */
export interface Prepared {
  readonly threads: readonly Thread[];
  readonly space: RoutingSpace;
  readonly items: readonly Item[];
  /** How a thread of the scene runs now. */
  readonly runningOf: (thread: ThreadId) => Realisation | undefined;
  /** The ways items have now, side by side; undefined where a side does not run. */
  readonly standing: readonly (readonly (Way | undefined)[])[];
  /** A board with what was decided by hand, and nothing else. */
  readonly makeBoard: () => Board;
}

/**
 * Cords the router may keep or pull: those of threads that run or are to be routed, and, where everything
 * is, those of threads the scene no longer has. What a thread that is left alone has of its way stays, even where
 * its microphone's cord was planned for another line of the same microphone.
 */
function ownCords(
  scene: Scene,
  threads: readonly Thread[],
  running: readonly Realisation[],
  only: readonly ThreadId[] | undefined,
): readonly Cord[] {
  const active = new Set(threads.map(({ id }) => id));
  const inPlay = new Set(
    threads
      .filter(({ id }, i) => (only?.includes(id) ?? true) || running[i]?.complete === true)
      .map(({ id }) => id),
  );
  const leftAlone = new Set(
    running
      .filter(({ thread }) => !inPlay.has(thread.id))
      .flatMap(({ path }) => path.flatMap(({ cord }) => cord ?? [])),
  );
  return scene.cords.filter(
    ({ id, thread }) =>
      thread !== undefined &&
      !leftAlone.has(id) &&
      (inPlay.has(thread) || (only === undefined && !active.has(thread))),
  );
}

/** Knobs that stand where somebody put them, and no thread runs over: they stay. */
function holdKnobs(board: Board, standing: readonly Way[]): void {
  const used = knobsOf(board.space, standing);
  board.space.knobs.forEach(({ set, value }, knob) => {
    if (set && !used.has(knob)) board.holdKnob(knob, Number(value));
  });
}

/** @param only threads that are to be routed; without it, all of the scene. */
export function prepare(
  rig: Rig,
  session: Session,
  scene: Scene,
  only: readonly ThreadId[] | undefined,
): Prepared {
  const threads = threadsIn(session, scene);
  const running = realiseAll(compileNear(rig, session, scene), threads);
  const runs = new Map(running.map((realisation) => [realisation.thread.id, realisation]));
  const own = ownCords(scene, threads, running, only);
  const space = buildSpace(rig, session, scene, own, normalsElsewhere(rig, session, scene));
  const items = itemsFor(space.graph, session, threads, space.weights);
  const standing = items.map(({ demands }) =>
    demands.map((demand) => {
      const realisation = runs.get(demand.thread);
      return realisation && standingWay(space, demand, realisation);
    }),
  );
  const known = standing.flat().filter((way): way is Way => way !== undefined);
  return {
    threads,
    space,
    items,
    standing,
    runningOf: (thread) => runs.get(thread),
    makeBoard: () => {
      const board = new Board(space, items);
      holdKnobs(board, known);
      return board;
    },
  };
}

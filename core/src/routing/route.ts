import type { ThreadId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { Cord, Scene, Session } from '../session/sessionSchema';
import { carrySettings } from './carrySettings';
import type { NewSettings, ThreadWay } from './patch';
import { cordsOf, crosspointSettings } from './patch';
import { preampsHad } from './preampsHad';
import type { Prepared } from './prepare';
import { prepare } from './prepare';
import type { Board } from './solve/board';
import type { Cancelled } from './solve/negotiate';
import type { RouteMode } from './solve/solve';
import { solve } from './solve/solve';
import type { Gain } from './solve/gains';
import { gainsOf } from './solve/gains';
import { sameSteps } from './solve/putBack';
import type { Way } from './solve/way';
import { diagnose } from './why/diagnose';
import type { Inquiry } from './why/inquiry';
import type { Obstacle } from './why/obstacle';

export type ThreadOutcome =
  | {
      readonly thread: ThreadId;
      readonly routed: true;
      readonly cost: number;
      readonly kept: boolean;
      /** Of one that ran before and has moved: what that bought. */
      readonly gain?: Gain;
    }
  | { readonly thread: ThreadId; readonly routed: false; readonly obstacle: Obstacle };

export interface Routing {
  /** All cords of the scene after routing. */
  readonly cords: readonly Cord[];
  /** Crosspoints to close or let go, and settings that move with a thread to another preamp channel. */
  readonly settings: NewSettings;
  /** By thread, in the order of the input list: those that were asked for, and those that had to move. */
  readonly outcomes: readonly ThreadOutcome[];
  /** Points of all threads together. */
  readonly cost: number;
}

export interface RouteOptions {
  /** Routes just these threads; without it, all that are active in the scene. */
  readonly only?: readonly ThreadId[];
  readonly mode?: RouteMode;
  /** Threads that were not there before: they had no preamp. */
  readonly added?: readonly ThreadId[];
}

/** Which thread has which way on a board, sides that run on alone among them. */
function waysOn({
  board,
  standing,
}: Pick<Solved, 'board'> & Pick<Prepared, 'standing'>): ReadonlyMap<ThreadId, Way> {
  const ways = new Map<ThreadId, Way>();
  board.items.forEach(({ demands }, item) => {
    const alone = board.sidesOf(item);
    demands.forEach(({ thread }, side) => {
      const way = board.ways(item)?.[side] ?? alone.find((each) => each === standing[item]?.[side]);
      if (way !== undefined) ways.set(thread, way);
    });
  });
  return ways;
}

/** Threads whose way is the one they had. */
function keptThreads({ items, standing }: Prepared, ways: ReadonlyMap<ThreadId, Way>): ReadonlySet<ThreadId> {
  const kept = items.flatMap(({ demands }, item) =>
    demands.flatMap(({ thread }, side) => {
      const way = ways.get(thread);
      const before = standing[item]?.[side];
      return way !== undefined && before !== undefined && sameSteps(before, way) ? [thread] : [];
    }),
  );
  return new Set(kept);
}

interface Solved {
  readonly prepared: Prepared;
  readonly board: Board;
  readonly ways: ReadonlyMap<ThreadId, Way>;
  readonly kept: ReadonlySet<ThreadId>;
}

function outcomesOf(
  { prepared, board, ways, kept }: Solved,
  wanted: (id: ThreadId) => boolean,
  place: Pick<Inquiry, 'rig' | 'session' | 'scene'>,
): readonly ThreadOutcome[] {
  const { threads, items, standing } = prepared;
  const gains = gainsOf(board, standing);
  return threads.flatMap((thread): ThreadOutcome[] => {
    const { id } = thread;
    const way = ways.get(id);
    const gain = gains.get(id);
    if (way !== undefined && (wanted(id) || !kept.has(id)))
      return [{ thread: id, routed: true, cost: way.cost, kept: kept.has(id), ...(gain && { gain }) }];
    const item = items.find(({ demands }) => demands.some((each) => each.thread === id));
    const demand = item?.demands.find((each) => each.thread === id);
    if (way !== undefined || item === undefined || demand === undefined || !wanted(id)) return [];
    const obstacle = diagnose({
      ...{ ...place, board, threads, thread, demand, ways },
      sides: item.demands,
      seeksRemedy: true,
    });
    return [{ thread: id, routed: false, obstacle }];
  });
}

/**
 * Realises the threads of a scene together, as cords and crosspoints. Deterministic for equal input. Pins
 * are never moved; a place marked faulty is never used. What cannot be routed is explained.
 * @param cancelled asked between searches; true gives up, and the answer is undefined.
 */
export function routeUnless(
  cancelled: Cancelled,
  rig: Rig,
  session: Session,
  scene: Scene,
  { only, mode = 'missing', added = [] }: RouteOptions = {},
): Routing | undefined {
  const prepared = prepare(rig, session, scene, only);
  const { threads, space, items, standing, makeBoard } = prepared;
  const isWanted = (id: ThreadId): boolean => only?.includes(id) ?? true;
  const wanted = [...items.keys()].filter((i) => items[i]?.demands.some(({ thread }) => isWanted(thread)));
  const board = solve({ makeBoard, standing, wanted, mode, cancelled });
  if (board === undefined) return undefined;

  const ways = waysOn({ board, standing });
  const kept = keptThreads(prepared, ways);
  const ordered = threads.flatMap(({ id }): ThreadWay[] => {
    const way = ways.get(id);
    return way === undefined ? [] : [{ thread: id, way }];
  });
  const preampsBefore = preampsHad({ rig, session, scene, prepared, added });
  const onPreamps = ordered.map(({ thread, way }) => ({ before: preampsBefore.get(thread), way }));
  const ours = new Set(space.ownCords.map(({ id }) => id));
  const others = scene.cords.filter(({ id }) => !ours.has(id));
  const before = standing.flat().filter((way): way is Way => way !== undefined);
  return {
    cords: [...others, ...cordsOf(space, ordered, others)],
    settings: {
      ...carrySettings(rig, scene, space.graph, onPreamps),
      ...crosspointSettings(space, before, [...ways.values()]),
    },
    outcomes: outcomesOf({ prepared, board, ways, kept }, isWanted, { rig, session, scene }),
    cost: board.total(),
  };
}

/** `routeUnless` that nobody cancels. */
export function route(rig: Rig, session: Session, scene: Scene, options?: RouteOptions): Routing {
  const routing = routeUnless(() => false, rig, session, scene, options);
  if (routing === undefined) throw new Error('a routing that nobody cancels comes to its end');
  return routing;
}

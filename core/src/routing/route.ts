import { compile } from '../graph/compile';
import type { SignalGraph } from '../graph/signalGraph';
import type { CordId, ThreadId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { Cord, Scene, Session, Thread } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';
import type { CarriedSettings } from './carrySettings';
import { carrySettings } from './carrySettings';
import type { Obstacle } from './diagnose';
import { diagnose } from './diagnose';
import { realise } from './realise';
import { routeThread } from './routeThread';
import type { Hop } from './searchPath';
import { surroundingsOf } from './surroundings';

export type ThreadOutcome =
  | { readonly thread: ThreadId; readonly routed: true; readonly cost: number; readonly kept: boolean }
  | { readonly thread: ThreadId; readonly routed: false; readonly obstacle: Obstacle };

export interface Routing {
  /** All cords of the scene after routing. */
  readonly cords: readonly Cord[];
  /** Settings that move with a thread to another preamp channel. */
  readonly settings: CarriedSettings;
  readonly outcomes: readonly ThreadOutcome[];
}

const within = (scene: Scene, cords: readonly Cord[], settings: CarriedSettings): Scene => ({
  ...scene,
  cords: [...cords],
  settings: Object.fromEntries(
    Object.entries({ ...scene.settings, ...settings }).filter(([, value]) => value !== null),
  ) as Scene['settings'],
});

/** A cord id nobody in the scene has yet, from the thread it serves. */
function freeCordId(thread: Thread, cords: readonly Cord[]): CordId {
  const taken = new Set<string>(cords.map((cord) => cord.id));
  for (let n = 1; ; n++) {
    const id = `${thread.id.slice(0, 56)}-c${n}`;
    if (!taken.has(id)) return id as CordId;
  }
}

/** The cords of the new way; one that is where it was before keeps its id and stays plugged. */
function cordsFor(
  thread: Thread,
  hops: readonly Hop[],
  before: readonly Cord[],
  others: readonly Cord[],
  graph: SignalGraph,
): readonly Cord[] {
  const made: Cord[] = [];
  for (const hop of hops) {
    if (hop.kind !== 'cord') continue;
    const from = graph.lanes[hop.from]?.id;
    const to = graph.lanes[hop.to]?.id;
    if (from === undefined || to === undefined) continue;
    const same = before.find((cord) => cord.from === from && cord.to === to);
    const id = freeCordId(thread, [...others, ...before, ...made]);
    made.push(same ?? { id, from, to, stock: hop.stock, thread: thread.id, plugged: false });
  }
  return made;
}

/**
 * Realises threads of a scene as cords. Threads that already run complete stay as they are; the rest
 * are routed one after another by their number, each by its cheapest way around the others.
 * @param only routes just these threads; without it, all that are active in the scene.
 */
export function route(rig: Rig, session: Session, scene: Scene, only?: readonly ThreadId[]): Routing {
  const active = threadsIn(session, scene);
  const wanted = active.filter((thread) => only?.includes(thread.id) ?? true);
  let cords: readonly Cord[] = scene.cords;
  let settings: CarriedSettings = {};
  const outcomes: ThreadOutcome[] = [];
  for (const thread of wanted) {
    const now = compile(rig, session, within(scene, cords, settings));
    const before = realise(now, thread);
    if (before.complete) {
      outcomes.push({ thread: thread.id, routed: true, cost: 0, kept: true });
      continue;
    }
    const own = cords.filter((cord) => cord.thread === thread.id);
    const others = cords.filter((cord) => cord.thread !== thread.id);
    const surroundings = surroundingsOf(rig, session, within(scene, cords, settings), thread);
    const { graph } = surroundings;
    const result = routeThread(surroundings, thread);
    if (!result.found) {
      outcomes.push({
        thread: thread.id,
        routed: false,
        obstacle: diagnose(surroundings, thread, result),
      });
      continue;
    }
    cords = [...others, ...cordsFor(thread, result.hops, own, others, graph)];
    settings = {
      ...settings,
      ...carrySettings(rig, within(scene, cords, settings), before.stations, result.hops, graph),
    };
    outcomes.push({ thread: thread.id, routed: true, cost: result.cost, kept: false });
  }
  return { cords, settings, outcomes };
}

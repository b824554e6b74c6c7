import { netsAfter } from '../graph/nets';
import { reach } from '../graph/reach';
import { recompile } from '../graph/recompile';
import type { SignalGraph } from '../graph/signalGraph';
import { levelFieldAfter } from '../levels/levelField';
import { inheritJoints } from '../levels/loadingOf';
import { soundSources } from '../levels/soundSources';
import { carriesClock } from '../timing/digitalCables';
import type { LaneId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import { realiseAll } from '../routing/realiseAll';
import { sameRouting } from '../routing/sameRouting';
import { choosableKeys } from '../routing/space/choosableArcs';
import type { Floor } from '../session/floorSchema';
import { BARE_FLOOR } from '../session/floorSchema';
import type { Scene, Session, Thread } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';
import type { WorkedScene, PlannedThread } from './workedScene';
import { workedScene, surroundings, withLadders } from './workedScene';

/** The threads whose way or levels a change may have touched: their source leads to it, or they are new. */
function staleThreads(
  before: WorkedScene,
  threads: readonly Thread[],
  upstream: ReadonlySet<number>,
  hasChanged: boolean,
): ReadonlySet<Thread> {
  const known = new Set(before.threads.map(({ thread }) => thread));
  const start = (thread: Thread): number => before.graph.laneIndex.get(thread.from) ?? -1;
  const stale = new Set(threads.filter((thread) => !known.has(thread) || upstream.has(start(thread))));
  const gone = before.threads.some(({ thread }) => !threads.includes(thread));
  // Threads of one source, and the sides of a wide one, settle their ends among each other.
  const sources = new Map<LaneId, number>();
  for (const { from } of threads) sources.set(from, (sources.get(from) ?? 0) + 1);
  const depends = threads.filter(({ from, link }) => (sources.get(from) ?? 0) > 1 || link !== undefined);
  if (gone || hasChanged || stale.size > 0) for (const thread of depends) stale.add(thread);
  if (depends.some(({ link }) => link !== undefined))
    for (const thread of threads) if (depends.some(({ link }) => link?.lead === thread.id)) stale.add(thread);
  return stale;
}

/** A thread whose way is as it was, its edges by the numbers they have now. */
function withNumbers(
  planned: PlannedThread,
  { edges }: SignalGraph,
  renumbered: ReadonlyMap<number, number>,
): PlannedThread {
  if (renumbered.size === 0 || !planned.path.some(({ index }) => renumbered.has(index))) return planned;
  const now = (index: number): number => renumbered.get(index) ?? index;
  const { path, ladder: levels } = planned;
  return {
    ...planned,
    path: path.map((edge) => edges[now(edge.index)] ?? edge),
    ladder: {
      ...levels,
      rungs: levels.rungs.map((rung) => (rung.edge === undefined ? rung : { ...rung, edge: now(rung.edge) })),
    },
  };
}

/** Whether edges at these lanes came, went, opened or closed. */
function differentlyJoined(before: SignalGraph, after: SignalGraph, touched: ReadonlySet<number>): boolean {
  if (before.outgoing !== after.outgoing) return true;
  const { start, edge } = after.outgoing;
  for (const lane of touched)
    for (let i = start[lane] ?? 0; i < (start[lane + 1] ?? 0); i++) {
      const index = edge[i] ?? -1;
      if (before.edges[index]?.closed !== after.edges[index]?.closed) return true;
    }
  return false;
}

/**
 * The context after a change, starting from the one before: only what the change can have reached is worked
 * out anew. The result is what `workedScene` gives.
 * @param before told apart by identity: what is the same object has not changed.
 */
// eslint-disable-next-line max-lines-per-function -- everything a scene consists of, each with what it is taken over for
export function workedSceneAfter(
  before: WorkedScene,
  rig: Rig,
  session: Session,
  scene: Scene,
  floor: Floor = BARE_FLOOR,
): WorkedScene {
  const { graph, touched, renumbered } = recompile(before.graph, rig, session, scene);
  if (touched === undefined) return workedScene(rig, session, scene, floor);
  const upstream = reach(graph, reach(before.graph, touched, 'to'), 'to');
  inheritJoints(before.graph, graph, upstream);
  // A load that changed is felt from its driver on.
  const drivers = reach(graph, reach(before.graph, touched, 'to', 'load'), 'to', 'load');
  const rejoined = differentlyJoined(before.graph, graph, touched);
  const touchesClock = [...touched].some((lane) => carriesClock(graph.lanes[lane]));
  const threads = threadsIn(session, scene);
  const stale = staleThreads(before, threads, upstream, touched.size > 0);
  const anew = new Map(
    withLadders(
      graph,
      realiseAll(
        graph,
        threads.filter((thread) => stale.has(thread)),
      ),
    ).map((each) => [each.thread, each]),
  );
  const kept = new Map(before.threads.map((each) => [each.thread, withNumbers(each, graph, renumbered)]));
  const asksTheSame =
    !rejoined && sameRouting(before, { session, scene }, (key) => choosableKeys(rig, graph).has(key));
  return {
    ...(before.known && { known: { ...before.known, stale: before.known.stale || !asksTheSame } }),
    ...surroundings(rig, session, scene, floor, graph, touchesClock ? undefined : before.clocks),
    threads: threads.flatMap((thread) => anew.get(thread) ?? kept.get(thread) ?? []),
    nets: rejoined ? netsAfter(before.nets, graph, drivers) : before.nets,
    field: levelFieldAfter(
      before.field,
      graph,
      soundSources(rig, session, scene, graph),
      reach(graph, drivers, 'from'),
      rejoined,
      renumbered,
    ),
  };
}

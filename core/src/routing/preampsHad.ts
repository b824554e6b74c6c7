import { copperFrom } from '../graph/nets';
import { reach } from '../graph/reach';
import { compileNear } from '../graph/recompile';
import type { GraphStation, SignalGraph } from '../graph/signalGraph';
import { stationStartingAt } from '../graph/stationStartingAt';
import type { ThreadId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import { settingKeyOf } from '../rig/settings';
import type { Scene, Session, Thread } from '../session/sessionSchema';
import type { Prepared } from './prepare';
import { stationOfRole } from './realise';
import { realiseAll } from './realiseAll';

/** What tells which preamps threads had. */
export interface Past {
  readonly rig: Rig;
  readonly session: Session;
  readonly scene: Scene;
  readonly prepared: Pick<Prepared, 'threads' | 'runningOf'>;
  /** Threads that were not there before. */
  readonly added: readonly ThreadId[];
}

const isPreamp = ({ role }: GraphStation): boolean => role === 'preamp';

/** The one preamp that a cord leads to over copper, or that feeds it; undefined where it is not one. */
function preampAlong(graph: SignalGraph, from: number, to: number): GraphStation | undefined {
  const starting = stationStartingAt(graph);
  const onward = copperFrom(graph, to, 'from').flatMap((lane) => starting.get(lane) ?? []);
  const behind = reach(graph, [from], 'to');
  const feeding = graph.stations.filter((station) => behind.has(station.out) && behind.has(station.in));
  const found = [...onward, ...feeding].filter(isPreamp);
  return found.every(({ id }) => id === found[0]?.id) ? found[0] : undefined;
}

/** The preamp that the cords a thread still has belong to: one of them leads there, or comes from there. */
function byOwnCords(graph: SignalGraph, { cords }: Scene, thread: Thread): GraphStation | undefined {
  for (const cord of cords) {
    if (cord.thread !== thread.id) continue;
    const [from, to] = [graph.laneIndex.get(cord.from), graph.laneIndex.get(cord.to)];
    const preamp = from === undefined || to === undefined ? undefined : preampAlong(graph, from, to);
    if (preamp !== undefined) return preamp;
  }
  return undefined;
}

/** Preamp channels that are set and that no thread is known to have had. */
function left(graph: SignalGraph, { settings }: Scene, had: Iterable<GraphStation>): readonly GraphStation[] {
  const known = new Set([...had].map(({ id }) => id));
  return graph.stations.filter(
    (station) =>
      isPreamp(station) &&
      !known.has(station.id) &&
      station.settings.some(
        (setting) => settings[settingKeyOf(station.device, setting, station.channel)] !== undefined,
      ),
  );
}

/**
 * The preamp channel each thread has, or had before it broke: where it still passes it; where it would, if no
 * place were faulty; where its other cords lead; and, where one channel that is set and one thread are left
 * over, that one. Nothing is guessed between several.
 */
export function preampsHad({
  rig,
  session,
  scene,
  prepared,
  added,
}: Past): ReadonlyMap<ThreadId, GraphStation> {
  const { threads, runningOf } = prepared;
  const had = new Map<ThreadId, GraphStation>();
  const inUse = new Set<string>();
  for (const { id } of threads) {
    const running = runningOf(id);
    const station = running && stationOfRole(running, 'preamp');
    if (station === undefined) continue;
    had.set(id, station);
    if (running?.complete === true) inUse.add(station.id);
  }
  // What others have taken over meanwhile is set for them.
  const note = (id: ThreadId, station: GraphStation | undefined): void => {
    if (station !== undefined && !inUse.has(station.id)) had.set(id, station);
  };
  const lost = (): readonly Thread[] =>
    threads.filter(({ id }) => !had.has(id) && !added.includes(id) && runningOf(id)?.complete !== true);
  if (lost().length === 0) return had;
  const whole = compileNear(rig.faults.length === 0 ? rig : { ...rig, faults: [] }, session, scene);
  const unbroken = new Map(realiseAll(whole, threads).map((each) => [each.thread.id, each]));
  for (const { id } of lost()) {
    const would = unbroken.get(id);
    note(id, would && stationOfRole(would, 'preamp'));
  }
  for (const thread of lost()) note(thread.id, byOwnCords(whole, scene, thread));
  const [rest, channels] = [lost(), left(whole, scene, had.values())];
  if (rest.length === 1 && channels.length === 1 && rest[0] !== undefined) note(rest[0].id, channels[0]);
  return had;
}

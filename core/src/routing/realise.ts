import type { Edge, GraphStation, SignalGraph } from '../graph/signalGraph';
import type { StationRole } from '../rig/deviceModel';
import type { LaneId } from '../rig/ids';
import type { Thread } from '../session/sessionSchema';
import { searchPath } from './searchPath';
import type { Waypoint } from './waypoints';
import { waypointsOf } from './waypoints';

/** How a thread runs through a patch as it stands. */
export interface Realisation {
  readonly thread: Thread;
  readonly complete: boolean;
  /** Lane where the thread starts. */
  readonly start: number;
  /** Edges in signal order; where the thread is incomplete, up to where it stops. */
  readonly path: readonly Edge[];
  readonly stations: readonly GraphStation[];
  /** Where an incomplete thread stops, and what it does not reach from there. */
  readonly stopsAt?: number;
  readonly missing?: Waypoint;
}

const NOTHING: ReadonlySet<number> = new Set();

/** Waypoints whose last, where it may be any DAW input, is none that is taken. */
function withoutTaken(waypoints: readonly Waypoint[], taken: ReadonlySet<number>): readonly Waypoint[] {
  const end = waypoints.at(-1);
  if (taken.size === 0 || end === undefined || end.lanes.size < 2) return waypoints;
  const lanes = new Set([...end.lanes].filter((lane) => !taken.has(lane)));
  return [...waypoints.slice(0, -1), { ...end, lanes }];
}

/** The stations whose whole route lies on a path, in order. */
function stationsOn(graph: SignalGraph, path: readonly Edge[]): readonly GraphStation[] {
  return path.flatMap((edge) => {
    const station = graph.stations[graph.stationEndingAt[edge.to] ?? -1];
    return station?.in === edge.from ? [station] : [];
  });
}

/**
 * Finds the way a thread takes through the patch as it stands: from its source past its pins and
 * inserts to its end. `conducts` may overrule which edges are closed, to ask "what if".
 * @param taken DAW inputs that threads of the same source end at already.
 */
export function realise(
  graph: SignalGraph,
  thread: Thread,
  conducts: (edge: Edge) => boolean = (edge) => edge.closed,
  taken: ReadonlySet<number> = NOTHING,
): Realisation {
  const start = graph.laneIndex.get(thread.from) ?? -1;
  const waypoints = withoutTaken(waypointsOf(graph, thread), taken);
  // An input thread ends at the DAW: it does not run on through a track and out again.
  const result = searchPath(graph, (edge) => edge.track === undefined && conducts(edge), start, waypoints);
  const { path } = result;
  const base = { thread, start, path, stations: stationsOn(graph, path) };
  if (result.found) return { ...base, complete: true };
  return { ...base, complete: false, stopsAt: result.stopsAt, missing: result.missing };
}

/** Threads whose source feeds others too: which of the ends each takes has to be settled. */
function sharers(threads: readonly Thread[]): ReadonlySet<Thread> {
  const sources = new Map<LaneId, number>();
  for (const { from } of threads) sources.set(from, (sources.get(from) ?? 0) + 1);
  return new Set(threads.filter(({ from }) => (sources.get(from) ?? 0) > 1));
}

/** The DAW input that a side of a wide thread belongs at, from where another side ends. */
function endBeside(
  graph: SignalGraph,
  thread: Thread,
  known: ReadonlyMap<Thread, Realisation>,
): number | undefined {
  const lead = thread.link?.lead ?? thread.id;
  const placeOf = ({ link }: Thread): number => link?.place ?? 1;
  for (const [other, { complete, path }] of known) {
    if (other === thread || !complete || (other.link?.lead ?? other.id) !== lead) continue;
    const end = graph.stations[graph.stationEndingAt[path.at(-1)?.to ?? -1] ?? -1];
    const channel = (end?.channel ?? 0) + placeOf(thread) - placeOf(other);
    const beside = graph.stations.find(
      ({ role, device, channel: own }) => role === 'daw-input' && device === end?.device && own === channel,
    );
    if (beside !== undefined) return beside.out;
  }
  return undefined;
}

/**
 * Threads that cords were planned for come first: what was plugged for one is not another's by its number.
 * Then those that ask for the most; the rest can take what is left.
 */
function ownersFirst(graph: SignalGraph, threads: ReadonlySet<Thread>): readonly Thread[] {
  const owners = new Set(graph.edges.flatMap(({ thread }) => thread ?? []));
  const asks = ({ id, pins, inserts }: Thread): number =>
    (owners.has(id) ? 1000 : 0) + Object.keys(pins).length + inserts.length;
  return [...threads].sort((a, b) => asks(b) - asks(a));
}

/**
 * How all threads of a scene run. Threads of one source end at different DAW inputs: a side of a wide one
 * beside its other side, then those that cords were planned for, then those that ask for more before the rest,
 * each at the nearest.
 */
export function realiseAll(graph: SignalGraph, threads: readonly Thread[]): readonly Realisation[] {
  const sharing = sharers(threads);
  const known = new Map<Thread, Realisation>();
  for (const thread of threads) if (!sharing.has(thread)) known.set(thread, realise(graph, thread));
  const taken = new Map<LaneId, Set<number>>();
  const settle = (thread: Thread, others: ReadonlySet<number>): void => {
    const realisation = realise(graph, thread, undefined, others);
    if (realisation.complete || !known.has(thread)) known.set(thread, realisation);
    const end = realisation.path.at(-1)?.to;
    const ends = taken.get(thread.from) ?? new Set<number>();
    taken.set(thread.from, ends);
    if (realisation.complete && end !== undefined) ends.add(end);
  };
  const beside = new Map([...sharing].map((thread) => [thread, endBeside(graph, thread, known)]));
  for (const [thread, end] of beside)
    if (end !== undefined) settle(thread, new Set(dawInputs(graph).filter((lane) => lane !== end)));
  for (const thread of ownersFirst(graph, sharing))
    if (known.get(thread)?.complete !== true) settle(thread, taken.get(thread.from) ?? NOTHING);
  return threads.map((thread) => known.get(thread) ?? realise(graph, thread));
}

const dawInputs = ({ stations }: SignalGraph): readonly number[] =>
  stations.filter(({ role }) => role === 'daw-input').map(({ out }) => out);

/** The first station of a role on a realised path. */
export const stationOfRole = (realisation: Realisation, role: StationRole): GraphStation | undefined =>
  realisation.stations.find((station) => station.role === role);

/** Lanes of a realised path, the start first. */
export const lanesOnPath = (realisation: Realisation): readonly number[] => [
  realisation.start,
  ...realisation.path.map((edge) => edge.to),
];

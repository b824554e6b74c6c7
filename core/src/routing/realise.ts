import type { Edge, GraphStation, SignalGraph } from '../graph/signalGraph';
import type { StationRole } from '../rig/deviceModel';
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
export function stationsOn(graph: SignalGraph, path: readonly Edge[]): readonly GraphStation[] {
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

/** The first station of a role on a realised path. */
export const stationOfRole = (realisation: Realisation, role: StationRole): GraphStation | undefined =>
  realisation.stations.find((station) => station.role === role);

/** Lanes of a realised path, the start first. */
export const lanesOnPath = (realisation: Realisation): readonly number[] => [
  realisation.start,
  ...realisation.path.map((edge) => edge.to),
];

import type { Edge, GraphStation, SignalGraph } from '../graph/signalGraph';
import type { StationRole } from '../rig/deviceModel';
import type { Thread } from '../session/sessionSchema';
import type { SearchSpace } from './searchSpace';
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

/**
 * The patch as it stands: conducting edges cost one hop each, and nothing can be plugged. An input thread
 * ends at the DAW: it does not run on through a track and out again.
 */
const asPatched = (graph: SignalGraph, conducts: (edge: Edge) => boolean): SearchSpace => ({
  graph,
  edgeCost: (edge) => (edge.track === undefined && conducts(edge) ? 1 : Infinity),
  plugCost: () => Infinity,
  hubsFrom: () => [],
  hubs: [],
});

/** The stations whose whole route lies on a path, in order. */
function stationsOn(graph: SignalGraph, path: readonly Edge[]): readonly GraphStation[] {
  return path.flatMap((edge) => {
    const station = graph.stations[graph.stationEndingAt[edge.to] ?? -1];
    return station?.in === edge.from ? [station] : [];
  });
}

/**
 * Finds the way a thread takes through the patch as it stands: from its source past its pins and
 * inserts to a DAW input. `conducts` may overrule which edges are closed, to ask "what if".
 */
export function realise(
  graph: SignalGraph,
  thread: Thread,
  conducts: (edge: Edge) => boolean = (edge) => edge.closed,
): Realisation {
  const start = graph.laneIndex.get(thread.from) ?? -1;
  const result = searchPath(asPatched(graph, conducts), start, waypointsOf(graph, thread));
  const path = result.hops.flatMap((hop) => (hop.kind === 'edge' ? [hop.edge] : []));
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

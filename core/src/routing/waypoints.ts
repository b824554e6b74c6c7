import { endsWhereNamed } from '../session/purposes';
import type { PinRole, StationRole } from '../rig/deviceModel';
import type { SignalGraph } from '../graph/signalGraph';
import type { LaneId, StationId } from '../rig/ids';
import type { Thread } from '../session/sessionSchema';

/** What a thread passes: a station of a role, or the input a feed ends at. */
export type PlaceRole = StationRole | 'input';

/** A place a thread must pass: any one of these lanes, each the far side of a station or the end of a feed. */
export interface Waypoint {
  readonly role: PlaceRole;
  /** The input a feed ends at. */
  readonly lane?: LaneId;
  /** The one station asked for; undefined where any of the role will do. */
  readonly station?: StationId;
  readonly lanes: ReadonlySet<number>;
}

function one(graph: SignalGraph, role: StationRole, id: StationId): Waypoint {
  const station = graph.stations[graph.stationIndex.get(id) ?? -1];
  return { role, station: id, lanes: new Set(station === undefined ? [] : [station.out]) };
}

/** Graphs are immutable, so the waypoints that any station of a role answers are made once for each. */
const anyOfGraph = new WeakMap<SignalGraph, Map<StationRole, Waypoint>>();

function any(graph: SignalGraph, role: StationRole): Waypoint {
  const byRole = anyOfGraph.get(graph) ?? new Map<StationRole, Waypoint>();
  anyOfGraph.set(graph, byRole);
  const known = byRole.get(role);
  if (known !== undefined) return known;
  const ends = graph.stations.filter((station) => station.role === role).map((station) => station.out);
  const made = { role, lanes: new Set(ends) };
  byRole.set(role, made);
  return made;
}

/** Where a thread ends: a DAW input, or the input it feeds. */
function endOf(graph: SignalGraph, { pins, purpose, to }: Thread): Waypoint {
  if (endsWhereNamed(purpose) && to !== undefined) {
    const lane = graph.laneIndex.get(to);
    return { role: 'input', lane: to, lanes: new Set(lane === undefined ? [] : [lane]) };
  }
  return pins['daw-input'] === undefined
    ? any(graph, 'daw-input')
    : one(graph, 'daw-input', pins['daw-input']);
}

/** What a thread passes, in order: its pins, its inserts between preamp and converter, and its end. */
export function waypointsOf(graph: SignalGraph, thread: Thread): readonly Waypoint[] {
  const { pins } = thread;
  const pinned = (role: PinRole): readonly Waypoint[] =>
    pins[role] === undefined ? [] : [one(graph, role, pins[role])];
  return [
    ...pinned('room-jack'),
    ...pinned('preamp'),
    ...thread.inserts.map((id) => one(graph, 'processor', id)),
    ...pinned('converter'),
    endOf(graph, thread),
  ];
}

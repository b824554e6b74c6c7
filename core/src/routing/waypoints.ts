import type { StationRole } from '../rig/deviceModel';
import type { SignalGraph } from '../graph/signalGraph';
import type { StationId } from '../rig/ids';
import type { Thread } from '../session/sessionSchema';

/** A place a thread must pass: any one of these lanes, each the far side of a station. */
export interface Waypoint {
  readonly role: StationRole;
  /** The one station asked for; undefined where any of the role will do. */
  readonly station?: StationId;
  readonly lanes: ReadonlySet<number>;
}

function one(graph: SignalGraph, role: StationRole, id: StationId): Waypoint {
  const station = graph.stations[graph.stationIndex.get(id) ?? -1];
  return { role, station: id, lanes: new Set(station === undefined ? [] : [station.out]) };
}

const any = (graph: SignalGraph, role: StationRole): Waypoint => ({
  role,
  lanes: new Set(graph.stations.filter((station) => station.role === role).map((station) => station.out)),
});

/** What an input passes, in order: its pins, its inserts between preamp and converter, and a DAW input. */
export function waypointsOf(graph: SignalGraph, thread: Thread): readonly Waypoint[] {
  const { pins } = thread;
  const pinned = (role: StationRole): readonly Waypoint[] =>
    pins[role] === undefined ? [] : [one(graph, role, pins[role])];
  return [
    ...pinned('room-jack'),
    ...pinned('preamp'),
    ...thread.inserts.map((id) => one(graph, 'processor', id)),
    ...pinned('converter'),
    pins['daw-input'] === undefined ? any(graph, 'daw-input') : one(graph, 'daw-input', pins['daw-input']),
  ];
}

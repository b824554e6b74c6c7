import type { CordId, LaneId, StationId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { Scene, Session } from '../session/sessionSchema';
import { adjacency } from './adjacency';
import { cordEdge, hardwireEdge } from './cableEdges';
import { dawParts, hostOf } from './dawTracks';
import type { DeviceParts } from './deviceParts';
import { deviceParts, knobsByDevice } from './deviceParts';
import { routeEdge } from './routeEdge';
import type { Edge, GraphStation, Lane, SignalGraph } from './signalGraph';

/** What the parts of the compiler look up once lanes are numbered. */
export interface LaneLookup {
  readonly sampleRateHz: number;
  readonly lanes: readonly Lane[];
  readonly laneIndex: ReadonlyMap<LaneId, number>;
}

/** Builds all devices under the knobs of the scene, and numbers their lanes in device, port and lane order. */
function placeDevices(
  rig: Rig,
  scene: Scene,
  sampleRateHz: number,
): LaneLookup & { readonly parts: readonly DeviceParts[] } {
  const knobsOf = knobsByDevice(scene);
  const lanes: Lane[] = [];
  const laneIndex = new Map<LaneId, number>();
  const parts = rig.devices.map((device) => {
    const built = deviceParts(device, knobsOf(device.id), lanes.length);
    for (const lane of built.lanes) {
      laneIndex.set(lane.id, lane.index);
      lanes.push(lane);
    }
    return built;
  });
  return { lanes, laneIndex, sampleRateHz, parts };
}

/** The lanes of the rig with those of the session's tracks after them. */
function withLanes(lookup: LaneLookup, more: readonly Lane[]): LaneLookup {
  if (more.length === 0) return lookup;
  const laneIndex = new Map(lookup.laneIndex);
  for (const { id, index } of more) laneIndex.set(id, index);
  return { ...lookup, lanes: [...lookup.lanes, ...more], laneIndex };
}

/** The cord whose plug sits in each lane. */
function plugs(scene: Scene, { laneIndex }: LaneLookup): ReadonlyMap<number, CordId> {
  const plugAt = new Map<number, CordId>();
  for (const cord of scene.cords)
    for (const end of [cord.from, cord.to]) {
      const lane = laneIndex.get(end);
      if (lane !== undefined) plugAt.set(lane, cord.id);
    }
  return plugAt;
}

/**
 * Lanes with something in them: a plug, or a wire. A console's insert point whose return is wired to a
 * bay is opened by that wire for good.
 */
function takenLanes(
  rig: Rig,
  plugAt: ReadonlyMap<number, CordId>,
  { laneIndex }: LaneLookup,
): ReadonlySet<number> {
  const taken = new Set(plugAt.keys());
  for (const wire of rig.hardwires)
    for (const end of [wire.from, wire.to]) {
      const lane = laneIndex.get(end);
      if (lane !== undefined) taken.add(lane);
    }
  return taken;
}

/** The lanes somebody has marked as faulty. */
const faultyLanes = ({ faults }: Rig, { laneIndex }: LaneLookup): ReadonlySet<number> =>
  new Set(faults.flatMap(({ id }) => laneIndex.get(id) ?? []));

/** Nothing conducts to or from a faulty place. */
const openedByFaults = (edges: readonly Edge[], faulty: ReadonlySet<number>): readonly Edge[] =>
  faulty.size === 0
    ? edges
    : edges.map((edge) => (faulty.has(edge.from) || faulty.has(edge.to) ? { ...edge, closed: false } : edge));

function assemble(
  { lanes, laneIndex, sampleRateHz }: LaneLookup,
  edges: readonly Edge[],
  stations: readonly GraphStation[],
  plugAt: ReadonlyMap<number, CordId>,
  faulty: ReadonlySet<number>,
): SignalGraph {
  const stationEndingAt = new Int32Array(lanes.length).fill(-1);
  stations.forEach((station, index) => (stationEndingAt[station.out] = index));
  return {
    lanes,
    laneIndex,
    edges,
    outgoing: adjacency(
      lanes.length,
      edges.map(({ from }) => from),
    ),
    incoming: adjacency(
      lanes.length,
      edges.map(({ to }) => to),
    ),
    stations,
    stationIndex: new Map(stations.map((station, index): [StationId, number] => [station.id, index])),
    stationEndingAt,
    plugAt,
    faulty,
    sampleRateHz,
  };
}

/**
 * Compiles one scene of a session on a rig into lanes and edges. The only place that knows what a
 * device is made of. Cords and wires whose ends do not exist are left out; integrity reports them.
 */
export function compile(rig: Rig, session: Session, scene: Scene): SignalGraph {
  const { bufferSamples, sampleRateHz } = session;
  const placed = placeDevices(rig, scene, sampleRateHz);
  const daw = dawParts(hostOf(rig.devices, session), session, placed);
  const lookup = withLanes(placed, daw.lanes);
  const plugAt = plugs(scene, lookup);
  const taken = takenLanes(rig, plugAt, lookup);
  const conditions = { isTaken: (lane: number) => taken.has(lane), bufferSamples, sampleRateHz };
  const edges: Edge[] = [];
  for (const { routes } of placed.parts)
    for (const route of routes) edges.push(routeEdge(route, edges.length, conditions));
  for (const wire of rig.hardwires) edges.push(...hardwireEdge(wire, edges.length, lookup));
  for (const cord of scene.cords) edges.push(...cordEdge(cord, edges.length, lookup));
  for (const edge of daw.edges) edges.push({ ...edge, index: edges.length });
  const stations = placed.parts.flatMap((parts) => parts.stations);
  const faulty = faultyLanes(rig, lookup);
  return assemble(lookup, openedByFaults(edges, faulty), stations, plugAt, faulty);
}

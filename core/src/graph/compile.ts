import type { LaneLookup } from './laneLookup';
import type { CordId, LaneId, StationId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { Scene, Session } from '../session/sessionSchema';
import { leaving, reaching } from './adjacency';
import { compensationSamples } from './compensation';
import { cordEdge, hardwireEdge } from './cableEdges';
import { tracksIn } from '../session/daw/tracksIn';
import { dawParts, hostOf } from './dawTracks';
import type { DeviceParts } from './deviceParts';
import { deviceParts, knobsByDevice } from './deviceParts';
import { routeEdge } from './routeEdge';
import type { Edge, GraphStation, Lane, SignalGraph } from './signalGraph';

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
export function plugs(scene: Scene, { laneIndex }: LaneLookup): ReadonlyMap<number, CordId> {
  const plugAt = new Map<number, CordId>();
  for (const cord of scene.cords)
    for (const end of [cord.from, cord.to]) {
      const lane = laneIndex.get(end);
      if (lane !== undefined) plugAt.set(lane, cord.id);
    }
  return plugAt;
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
  compensation: number,
): SignalGraph {
  const stationEndingAt = new Int32Array(lanes.length).fill(-1);
  stations.forEach((station, index) => (stationEndingAt[station.out] = index));
  return {
    lanes,
    laneIndex,
    edges,
    outgoing: leaving(lanes.length, edges),
    incoming: reaching(lanes.length, edges),
    stations,
    stationIndex: new Map(stations.map((station, index): [StationId, number] => [station.id, index])),
    stationEndingAt,
    plugAt,
    faulty,
    sampleRateHz,
    compensationSamples: compensation,
  };
}

/** What a graph was compiled of, and where its parts lie in it: what the next compilation starts from. */
export interface Compiled {
  readonly rig: Rig;
  readonly session: Session;
  readonly scene: Scene;
  readonly graph: SignalGraph;
  readonly lookup: LaneLookup;
  readonly parts: readonly DeviceParts[];
  /** First lane and first route edge of each device. */
  readonly laneBase: readonly number[];
  readonly edgeBase: readonly number[];
  /** First edge of a cord; cords come last. */
  readonly cordBase: number;
  /** Route edges by the jacks that open them. */
  readonly openedBy: ReadonlyMap<number, readonly number[]>;
  readonly wired: ReadonlySet<number>;
}

const compiledOf = new WeakMap<SignalGraph, Compiled>();
const lastOf = new WeakMap<Rig, SignalGraph>();

/** What a graph was made of; undefined for one that was not compiled. */
export const compiledAs = (graph: SignalGraph): Compiled | undefined => compiledOf.get(graph);

/** The graph of a rig that was compiled last, whichever scene it was of. */
export const lastCompiled = (rig: Rig): SignalGraph | undefined => lastOf.get(rig);

/** Keeps what a graph was made of beside it. */
export function keepCompiled(compiled: Compiled): void {
  compiledOf.set(compiled.graph, compiled);
  lastOf.set(compiled.rig, compiled.graph);
}

/** Lanes with a wire in them. A console's insert point whose return is wired to a bay is opened by that wire for good. */
function wiredLanes(rig: Rig, { laneIndex }: LaneLookup): ReadonlySet<number> {
  const wired = new Set<number>();
  for (const wire of rig.hardwires)
    for (const end of [wire.from, wire.to]) {
      const lane = laneIndex.get(end);
      if (lane !== undefined) wired.add(lane);
    }
  return wired;
}

/** Where each of several lists begins when they lie one after another. */
function bases(sizes: readonly number[]): readonly number[] {
  let next = 0;
  return sizes.map((size) => {
    const base = next;
    next += size;
    return base;
  });
}

function edgesByOpener(edges: readonly Edge[]): ReadonlyMap<number, readonly number[]> {
  const byJack = new Map<number, number[]>();
  for (const { index, openedBy } of edges)
    for (const jack of openedBy) {
      const list = byJack.get(jack);
      if (list === undefined) byJack.set(jack, [index]);
      else list.push(index);
    }
  return byJack;
}

/**
 * Compiles one scene of a session on a rig into lanes and edges. The only place that knows what a
 * device is made of. Cords and wires whose ends do not exist are left out; integrity reports them.
 */
export function compile(rig: Rig, session: Session, scene: Scene): SignalGraph {
  const { bufferSamples, sampleRateHz } = session;
  const placed = placeDevices(rig, scene, sampleRateHz);
  const { parts } = placed;
  const host = hostOf(rig.devices, session);
  const daw = dawParts(host, { ...session, tracks: tracksIn(session, scene) }, placed);
  const lookup = withLanes(placed, daw.lanes);
  const plugAt = plugs(scene, lookup);
  const wired = wiredLanes(rig, lookup);
  const isTaken = (lane: number): boolean => wired.has(lane) || plugAt.has(lane);
  const conditions = { isTaken, bufferSamples, sampleRateHz };
  const edges: Edge[] = [];
  for (const { routes } of parts)
    for (const route of routes) edges.push(routeEdge(route, edges.length, conditions));
  for (const wire of rig.hardwires) edges.push(...hardwireEdge(wire, edges.length, lookup));
  for (const edge of daw.edges) edges.push({ ...edge, index: edges.length });
  const cordBase = edges.length;
  for (const cord of scene.cords) edges.push(...cordEdge(cord, edges.length, lookup));
  const stations = parts.flatMap((each) => each.stations);
  const faulty = faultyLanes(rig, lookup);
  const compensation = host === undefined ? 0 : compensationSamples(session);
  const graph = assemble(lookup, openedByFaults(edges, faulty), stations, plugAt, faulty, compensation);
  keepCompiled({
    ...{ rig, session, scene, graph, lookup, parts, cordBase, wired },
    laneBase: bases(parts.map(({ lanes }) => lanes.length)),
    edgeBase: bases(parts.map(({ routes }) => routes.length)),
    openedBy: edgesByOpener(edges),
  });
  return graph;
}

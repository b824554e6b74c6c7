import { buildDevice } from '../rig/buildDevice';
import type { DeviceModel } from '../rig/deviceModel';
import type { CordId, LaneId, StationId } from '../rig/ids';
import { laneIdOf, stationIdOf } from '../rig/ids';
import type { Device, Rig } from '../rig/rigSchema';
import type { Scene, Session } from '../session/sessionSchema';
import { adjacency } from './adjacency';
import { cordEdges, hardwireEdges } from './cableEdges';
import { deviceLanes } from './deviceLanes';
import { routeEdges } from './routeEdges';
import type { Edge, GraphStation, Lane, SignalGraph } from './signalGraph';

/** An edge before it has its place in the list. */
export type EdgeDraft = Omit<Edge, 'index'>;

/** What the parts of the compiler look up while lanes are already numbered. */
export interface LaneLookup {
  readonly lanes: readonly Lane[];
  readonly laneIndex: ReadonlyMap<LaneId, number>;
}

interface BuiltDevice {
  readonly device: Device;
  readonly model: DeviceModel;
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

function stationsOf({ device, model }: BuiltDevice, { laneIndex }: LaneLookup): readonly GraphStation[] {
  const laneOf = (key: { port: string; lane: number }): number =>
    laneIndex.get(laneIdOf(device.id, key.port, key.lane)) ?? -1;
  return model.stations.map((station) => ({
    id: stationIdOf(device.id, station.key),
    name: `${device.name} ${station.name}`.trim(),
    role: station.role,
    device: device.id,
    channel: station.channel,
    in: laneOf(station.in),
    out: laneOf(station.out),
  }));
}

function assemble(
  lookup: LaneLookup,
  drafts: readonly EdgeDraft[],
  stations: readonly GraphStation[],
  plugAt: ReadonlyMap<number, CordId>,
  sampleRateHz: number,
): SignalGraph {
  const { lanes, laneIndex } = lookup;
  const stationEndingAt = new Int32Array(lanes.length).fill(-1);
  stations.forEach((station, index) => (stationEndingAt[station.out] = index));
  return {
    lanes,
    laneIndex,
    edges: drafts.map((draft, index) => ({ ...draft, index })),
    outgoing: adjacency(
      lanes.length,
      drafts.map((draft) => draft.from),
    ),
    incoming: adjacency(
      lanes.length,
      drafts.map((draft) => draft.to),
    ),
    stations,
    stationIndex: new Map(stations.map((station, index): [StationId, number] => [station.id, index])),
    stationEndingAt,
    plugAt,
    sampleRateHz,
  };
}

/**
 * Compiles one scene of a session on a rig into lanes and edges. The only place that knows what a
 * device is made of. Cords and wires whose ends do not exist are left out; integrity reports them.
 */
export function compile(rig: Rig, session: Session, scene: Scene): SignalGraph {
  const built = rig.devices.map((device) => ({ device, model: buildDevice(device, scene.settings) }));
  const lookup = deviceLanes(built);
  const plugAt = plugs(scene, lookup);
  const drafts = [
    ...built.flatMap((entry) => routeEdges(entry, lookup, plugAt, session.bufferSamples)),
    ...hardwireEdges(rig.hardwires, lookup),
    ...cordEdges(scene.cords, lookup),
  ];
  const stations = built.flatMap((entry) => stationsOf(entry, lookup));
  return assemble(lookup, drafts, stations, plugAt, session.sampleRateHz);
}

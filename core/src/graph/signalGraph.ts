import type { InputData, KnobRef, MicrophoneData, OutputData, StationRole } from '../rig/deviceModel';
import type { CordId, DeviceId, HardwireId, LaneId, RoomId, StationId, ThreadId, TrackId } from '../rig/ids';
import type { Connector } from '../rig/connector';
import type { Medium } from '../rig/medium';
import type { LinkKind } from '../units/linkLanes';

export type EdgeKind = 'route' | 'normal' | 'hardwire' | 'tieLine' | 'crosspoint' | 'cord';

/** A node of the signal graph: one mono signal in a port. */
export interface Lane {
  readonly index: number;
  readonly id: LaneId;
  /** "Bay A 12 upper", "Converter line in 3": what a reader sees. */
  readonly name: string;
  readonly device: DeviceId;
  readonly room: RoomId;
  readonly direction: 'in' | 'out';
  readonly medium: Medium;
  readonly connector: Connector;
  readonly face: 'front' | 'rear' | 'inside';
  /** True where the port is known to be balanced, false where known not to be, undefined on copper. */
  readonly balanced?: boolean;
  readonly output?: OutputData;
  readonly input?: InputData;
  readonly microphone?: MicrophoneData;
  /** The digital link it is a lane of, and which lane. */
  readonly link?: { readonly kind: LinkKind; readonly lane: number };
}

/** A connection between two lanes. Gains are unloaded; noise is in the unit of the lane it is added at. */
export interface Edge {
  readonly index: number;
  readonly kind: EdgeKind;
  readonly from: number;
  readonly to: number;
  /** Copper from end to end: no gain, no delay, and the loads at its far end are felt at its near end. */
  readonly passive: boolean;
  /** A transformer: the loads at its far end are felt at its near end, by the square of its turns. */
  readonly showsLoad?: boolean;
  /** Resistors alone, or copper: 48 V runs through it against the signal. */
  readonly passesPower?: boolean;
  readonly gainDb: number;
  readonly inverts: boolean;
  readonly delaySamples: number;
  /** How much of the delay so far the host compensates, by delaying everything else. */
  readonly compensatedSamples?: number;
  readonly inputNoise?: number;
  readonly outputNoise?: number;
  /** Jacks whose plug opens this edge. */
  readonly openedBy: readonly number[];
  /** False while a plug holds it open, or where a link has no such lane at the session's rate. */
  readonly closed: boolean;
  /** The knobs of its device that act on it. */
  readonly knobs?: readonly KnobRef[];
  readonly cord?: CordId;
  /** The thread the cord was planned for. */
  readonly thread?: ThreadId;
  readonly hardwire?: HardwireId;
  /** A part of a matrix from left and right into mid and side, or back: copies that cancel there are meant to. */
  readonly isMidSide?: true;
  /** The DAW track it is a part of. Threads to DAW inputs end before it. */
  readonly track?: TrackId;
}

/** A station with its lanes in the graph. */
export interface GraphStation {
  readonly id: StationId;
  readonly name: string;
  readonly role: StationRole;
  readonly device: DeviceId;
  readonly channel: number;
  /** The knobs that act on it. */
  readonly settings: readonly string[];
  readonly in: number;
  readonly out: number;
}

/**
 * Lanes and edges of one scene, addressed by integer. `outgoing[l]` and `incoming[l]` hold edge
 * indices in a fixed order, so that everything that walks the graph is deterministic.
 */
export interface SignalGraph {
  readonly lanes: readonly Lane[];
  readonly edges: readonly Edge[];
  readonly outgoing: Adjacency;
  readonly incoming: Adjacency;
  readonly laneIndex: ReadonlyMap<LaneId, number>;
  readonly stations: readonly GraphStation[];
  readonly stationIndex: ReadonlyMap<StationId, number>;
  /** For each lane the station that ends there, or -1. */
  readonly stationEndingAt: Int32Array;
  /** For each lane the cord plugged there, or undefined. */
  readonly plugAt: ReadonlyMap<number, CordId>;
  /** Lanes that do not work until somebody mends them. Nothing conducts to or from them. */
  readonly faulty: ReadonlySet<number>;
  readonly sampleRateHz: number;
  /** By how much the host delays everything that passes it, so that its slowest path meets the others in time. */
  readonly compensationSamples: number;
}

/** Compressed adjacency: the edges of lane l are `edge[start[l]] … edge[start[l + 1] - 1]`. */
export interface Adjacency {
  readonly start: Int32Array;
  readonly edge: Int32Array;
}

import { hostOf } from '../graph/dawTracks';
import type { Edge, SignalGraph } from '../graph/signalGraph';
import { shortestWay } from '../graph/shortestWay';
import type { LaneId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { HardwareSlot, Track } from '../session/daw/trackSchema';
import type { Session } from '../session/sessionSchema';

/** One side of a hardware insert: out of the host, through the outboard, and back. */
export interface InsertRoundTrip {
  readonly track: Track;
  /** Slot, counted from 1, and side of the track. */
  readonly slot: number;
  readonly side: number;
  readonly settings: HardwareSlot;
  readonly send: LaneId;
  readonly return: LaneId;
  /** Edges from the host's output to its input; where it does not come back, as far as it goes. */
  readonly path: readonly Edge[];
  readonly comesBack: boolean;
  /** Of the whole trip, both buffers included. */
  readonly delaySamples: number;
}

function tripsOf(graph: SignalGraph, host: string, track: Track): readonly InsertRoundTrip[] {
  return track.inserts.flatMap((slot, at) => {
    if (slot?.kind !== 'hardware' || slot.off === true) return [];
    return Array.from({ length: track.width }, (_, side): readonly InsertRoundTrip[] => {
      const send = laneIdOf(host, 'output', slot.send + side);
      const back = laneIdOf(host, 'input', slot.return + side);
      const [from, to] = [graph.laneIndex.get(send), graph.laneIndex.get(back)];
      const { path, arrives } =
        from === undefined || to === undefined
          ? { path: [], arrives: false }
          : shortestWay(graph, from, to, ({ track: of }) => of === undefined);
      return [
        {
          ...{ track, slot: at + 1, side: side + 1, settings: slot, send, return: back, path },
          comesBack: arrives,
          delaySamples: path.reduce((sum, edge) => sum + edge.delaySamples, 0),
        },
      ];
    }).flat();
  });
}

/** Every hardware insert of the session's tracks that is in use, side by side. Nothing without a host. */
export function insertRoundTrips(rig: Rig, session: Session, graph: SignalGraph): readonly InsertRoundTrip[] {
  const host = hostOf(rig.devices, session);
  return host === undefined ? [] : session.tracks.flatMap((track) => tripsOf(graph, host.id, track));
}

import type { SignalGraph } from '../../graph/signalGraph';
import { edgesFrom, edgesInto } from '../../graph/walk';
import type { LaneId } from '../../rig/ids';
import { deviceIdIn } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';

/** A jack as somebody looks for it. */
export interface JackLabel {
  readonly lane: LaneId;
  readonly name: string;
  /** What its label strip says, and what is wired behind it. */
  readonly label: string;
  readonly room: string;
}

/** What jacks are read from. */
export interface Reader {
  readonly rig: Rig;
  readonly graph: SignalGraph;
}

/** The connector at the far end of a fixed wire at the lane's own column. */
function wiredBehind({ graph }: Reader, lane: number): string {
  for (const edges of [edgesInto(graph, lane), edgesFrom(graph, lane)])
    for (const edge of edges) {
      const rear = edge.from === lane ? edge.to : edge.from;
      for (const wire of [...edgesInto(graph, rear), ...edgesFrom(graph, rear)])
        if (wire.hardwire !== undefined)
          return graph.lanes[wire.from === rear ? wire.to : wire.from]?.name ?? '';
    }
  return '';
}

/** The text on the label strip of a bay's jack. */
function stripText({ rig }: Reader, lane: LaneId): string {
  const params = rig.devices.find(({ id }) => id === deviceIdIn(lane))?.params as
    { readonly labels?: Readonly<Record<string, string>> } | undefined;
  return params?.labels?.[lane.split('/')[1] ?? ''] ?? '';
}

/** A jack by its name, its label and its room. */
export function jackLabel(reader: Reader, id: LaneId): JackLabel {
  const { rig, graph } = reader;
  const index = graph.laneIndex.get(id) ?? -1;
  const lane = graph.lanes[index];
  const own = stripText(reader, id);
  return {
    lane: id,
    name: lane?.name ?? id,
    label: own === '' ? wiredBehind(reader, index) : own,
    room: rig.rooms.find((room) => room.id === lane?.room)?.name ?? '',
  };
}

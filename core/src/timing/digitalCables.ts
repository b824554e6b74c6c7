import type { Lane, SignalGraph } from '../graph/signalGraph';
import type { DeviceId, LaneId } from '../rig/ids';
import type { LinkKind } from '../units/linkLanes';

interface CableEnd {
  readonly device: DeviceId;
  /** The first lane of the connector that the cable uses. */
  readonly lane: LaneId;
  readonly index: number;
}

/** A digital or clock connection, connector to connector, however many lanes of it are wired. */
export interface DigitalCable {
  readonly medium: 'digital' | 'clock';
  readonly from: CableEnd;
  readonly to: CableEnd;
  /** The kind of link, where it is one whose lanes depend on the rate. */
  readonly link?: LinkKind;
  /** A connection to a computer's driver, which has no clock of its own. */
  readonly isHost: boolean;
  readonly lanes: number;
  /** Lanes wired that the link does not carry at the session's rate. */
  readonly lost: readonly { readonly from: number; readonly to: number }[];
}

/** Whether a lane is a face of a digital or clock connector: whatever is joined there decides who follows whom. */
export const carriesClock = (lane: Lane | undefined): boolean =>
  lane !== undefined && lane.face !== 'inside' && (lane.medium === 'digital' || lane.medium === 'clock');

const connectorOf = ({ id }: Lane): string => id.slice(0, id.lastIndexOf('/'));

/** Of two lanes of a connector the first. */
const lower = (known: CableEnd | undefined, other: CableEnd): CableEnd =>
  known === undefined || other.index < known.index ? other : known;

/** Every digital and clock cable of a scene, fixed or plugged, one entry a pair of connectors. */
export function cablesBetween(graph: SignalGraph): readonly DigitalCable[] {
  const cables = new Map<string, DigitalCable>();
  for (const edge of graph.edges) {
    if (edge.hardwire === undefined && edge.cord === undefined) continue;
    const [from, to] = [graph.lanes[edge.from], graph.lanes[edge.to]];
    if (from === undefined || to === undefined || !carriesClock(from) || !carriesClock(to)) continue;
    const key = `${connectorOf(from)} ${connectorOf(to)}`;
    const known = cables.get(key);
    const faulty = graph.faulty.has(edge.from) || graph.faulty.has(edge.to);
    const lost = edge.closed || faulty ? [] : [{ from: edge.from, to: edge.to }];
    const kind = from.link?.kind ?? to.link?.kind;
    cables.set(key, {
      medium: from.medium === 'clock' ? 'clock' : 'digital',
      from: lower(known?.from, { device: from.device, lane: from.id, index: from.index }),
      to: lower(known?.to, { device: to.device, lane: to.id, index: to.index }),
      ...(kind && { link: kind }),
      isHost: from.connector === 'host' || to.connector === 'host',
      lanes: (known?.lanes ?? 0) + 1,
      lost: [...(known?.lost ?? []), ...lost],
    });
  }
  return [...cables.values()];
}

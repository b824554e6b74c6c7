import type { Hardwire } from '../rig/rigSchema';
import type { Cord } from '../session/sessionSchema';
import type { LaneLookup } from './laneLookup';
import { linkLanes } from '../units/linkLanes';
import type { Edge, Lane } from './signalGraph';

type Ends = Pick<Edge, 'from' | 'to' | 'closed'>;

function endsOf(lookup: LaneLookup, cable: Pick<Hardwire, 'from' | 'to'>): Ends | undefined {
  const from = lookup.laneIndex.get(cable.from);
  const to = lookup.laneIndex.get(cable.to);
  if (from === undefined || to === undefined) return undefined;
  return { from, to, closed: [from, to].every((lane) => isCarried(lookup.lanes[lane], lookup.sampleRateHz)) };
}

/** Whether a digital link has this lane at the session's rate; a lane of no link is always there. */
function isCarried(lane: Lane | undefined, sampleRateHz: number): boolean {
  return lane?.link === undefined || lane.link.lane <= linkLanes(lane.link.kind, sampleRateHz);
}

/** What every cable is: copper that adds nothing. */
const COPPER = {
  passive: true,
  gainDb: 0,
  inverts: false,
  delaySamples: 0,
  openedBy: [],
} as const;

/** A fixed wire, or nothing where an end does not exist. One whose ends are in different rooms is a tie line. */
export function hardwireEdge(wire: Hardwire, index: number, lookup: LaneLookup): readonly Edge[] {
  const ends = endsOf(lookup, wire);
  if (ends === undefined) return [];
  const sameRoom = lookup.lanes[ends.from]?.room === lookup.lanes[ends.to]?.room;
  return [{ index, kind: sameRoom ? 'hardwire' : 'tieLine', ...ends, ...COPPER, hardwire: wire.id }];
}

/** A cord of the scene, or nothing where an end does not exist. */
export function cordEdge(cord: Cord, index: number, lookup: LaneLookup): readonly Edge[] {
  const ends = endsOf(lookup, cord);
  if (ends === undefined) return [];
  const { id, thread } = cord;
  return [{ index, kind: 'cord', ...ends, ...COPPER, cord: id, ...(thread && { thread }) }];
}

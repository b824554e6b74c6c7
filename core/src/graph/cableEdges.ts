import type { Hardwire } from '../rig/rigSchema';
import type { Cord } from '../session/sessionSchema';
import type { LaneLookup } from './compile';
import type { Edge } from './signalGraph';

type Ends = Pick<Edge, 'from' | 'to'>;

function endsOf({ laneIndex }: LaneLookup, link: Pick<Hardwire, 'from' | 'to'>): Ends | undefined {
  const from = laneIndex.get(link.from);
  const to = laneIndex.get(link.to);
  return from === undefined || to === undefined ? undefined : { from, to };
}

/** What every cable is: copper that adds nothing and is always closed. */
const COPPER = {
  passive: true,
  gainDb: 0,
  inverts: false,
  delaySamples: 0,
  openedBy: [],
  closed: true,
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
  return ends === undefined ? [] : [{ index, kind: 'cord', ...ends, ...COPPER, cord: cord.id }];
}

import type { LaneId } from '../rig/ids';
import type { Hardwire } from '../rig/rigSchema';
import type { Cord } from '../session/sessionSchema';
import type { EdgeDraft, LaneLookup } from './compile';
import type { EdgeKind } from './signalGraph';

/** A cable is copper: it adds nothing and is always closed. */
function cable(kind: EdgeKind, from: number, to: number): EdgeDraft {
  return {
    kind,
    from,
    to,
    passive: true,
    gainDb: 0,
    inverts: false,
    delaySamples: 0,
    openedBy: [],
    closed: true,
  };
}

function ends(
  { laneIndex }: LaneLookup,
  link: { readonly from: LaneId; readonly to: LaneId },
): readonly [number, number] | undefined {
  const from = laneIndex.get(link.from);
  const to = laneIndex.get(link.to);
  return from === undefined || to === undefined ? undefined : [from, to];
}

/** Fixed wiring. A wire whose ends are in different rooms is a tie line. */
export function hardwireEdges(hardwires: readonly Hardwire[], lookup: LaneLookup): readonly EdgeDraft[] {
  return hardwires.flatMap((wire) => {
    const found = ends(lookup, wire);
    if (found === undefined) return [];
    const [from, to] = found;
    const sameRoom = lookup.lanes[from]?.room === lookup.lanes[to]?.room;
    return [{ ...cable(sameRoom ? 'hardwire' : 'tieLine', from, to), hardwire: wire.id }];
  });
}

/** The cords of a scene. */
export function cordEdges(cords: readonly Cord[], lookup: LaneLookup): readonly EdgeDraft[] {
  return cords.flatMap((cord) => {
    const found = ends(lookup, cord);
    return found === undefined ? [] : [{ ...cable('cord', ...found), cord: cord.id }];
  });
}

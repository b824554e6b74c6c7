import type { Thread } from '../../session/sessionSchema';
import type { Board } from '../solve/board';
import type { Demand } from '../solve/demand';
import { CLEAR } from '../solve/terms';
import type { Way } from '../solve/way';
import type { Waypoint } from '../waypoints';
import { waypointsOf } from '../waypoints';
import { holdersOn, knobSet } from './holders';
import type { Inquiry } from './inquiry';
import { ASKING } from './inquiry';
import type { Obstacle } from './obstacle';
import type { PinRef } from './pinned';
import { demandWithoutPin, pinsOf } from './pinned';
import { remedyFor } from './remedy';
import { isOnlyShort, shortageOf } from './shortage';
import { sidesObstacle, sideWithoutWay } from './sides';
import { faultyPlaces, handHeldJacks, missingLead } from './whatIf';

/** Pins of this and another thread on one and the same unit, of two sources. */
function samePins({ thread, threads }: Inquiry): readonly PinRef[] {
  const own = pinsOf(thread);
  for (const other of threads) {
    if (other.id === thread.id || other.from === thread.from) continue;
    for (const pin of pinsOf(other)) {
      const mine = own.find(({ station }) => station === pin.station);
      if (mine !== undefined) return [mine, pin];
    }
  }
  return [];
}

/** The thread's own pins of which each, taken away alone, would leave it a way. */
const liftingPins = (inquiry: Inquiry): readonly PinRef[] =>
  pinsOf(inquiry.thread).filter(
    ({ role }) =>
      inquiry.board.finder.find(demandWithoutPin(inquiry, inquiry.thread, role), ASKING) !== undefined,
  );

/** How far a thread gets with nobody in its way, and what it then does not reach. */
function noWay({ board, thread, demand }: Inquiry): Obstacle {
  const { graph } = board.space;
  const waypoints: readonly Waypoint[] = waypointsOf(graph, thread);
  let from = thread.from;
  for (const [i, missing] of waypoints.entries()) {
    const way = board.finder.find({ ...demand, goals: demand.goals.slice(0, i + 1) }, ASKING);
    if (way === undefined) {
      const { role, station, lane } = missing;
      return { code: 'no-way', from, role, ...(station && { station }), ...(lane && { lane }) };
    }
    from = graph.lanes[way.end]?.id ?? from;
  }
  return { code: 'no-way', from, role: waypoints.at(-1)?.role ?? 'daw-input' };
}

/** An insert that is pinned to another return than its host allows. */
function strictPair({ board, thread, demand }: Inquiry): Obstacle | undefined {
  const pin = pinsOf(thread).find(({ role }) => role === 'daw-input');
  const ends = demand.goals.at(-1)?.lanes ?? new Set<number>();
  const allowed = [...ends].some((lane) => (demand.endCost?.(lane) ?? 0) < Infinity);
  const send = board.space.graph.lanes[demand.start]?.id;
  return pin === undefined || send === undefined || ends.size === 0 || allowed
    ? undefined
    : { code: 'strict-pair', send, pin };
}

/** Why no way leads there at all, whoever would make room. */
function withoutWish(inquiry: Inquiry): Obstacle {
  const strict = strictPair(inquiry);
  if (strict !== undefined) return strict;
  const lifting = liftingPins(inquiry);
  const faulty = faultyPlaces(inquiry);
  if (faulty !== undefined) return { code: 'faulty', lanes: faulty, ...(lifting[0] && { pin: lifting[0] }) };
  if (lifting.length >= 2) return { code: 'pins-contradict', pins: lifting };
  const jacks = handHeldJacks(inquiry);
  if (jacks !== undefined) return { code: 'held', holders: jacks.map((lane) => ({ lane })) };
  const lead = missingLead(inquiry);
  return lead === undefined ? noWay(inquiry) : { code: 'no-lead', ...lead };
}

/** What stands in the way that a thread would take if others made room. */
function againstWish(inquiry: Inquiry, wish: Way): Obstacle {
  const { board } = inquiry;
  const short = shortageOf(board, [wish]);
  if (short !== undefined && isOnlyShort(board, wish)) return short;
  const holders = holdersOn(inquiry, wish);
  if (holders.length === 0) return knobSet(inquiry, wish) ?? short ?? noWay(inquiry);
  const remedy = inquiry.seeksRemedy ? remedyFor(inquiry, holders) : undefined;
  return { code: 'held', holders, ...(remedy && { remedy }) };
}

/** The thread of a demand. */
const threadOf = ({ threads, thread }: Inquiry, demand: Demand): Thread =>
  threads.find(({ id }) => id === demand.thread) ?? thread;

/** Why a side of a wide thread that alone would have a way has none. */
function asSide(inquiry: Inquiry): Obstacle {
  const other = sideWithoutWay(inquiry);
  if (other === undefined) return sidesObstacle(inquiry);
  const thread = threadOf(inquiry, other);
  return {
    code: 'other-side',
    thread: thread.id,
    obstacle: ownObstacle({ ...inquiry, thread, demand: other }),
  };
}

/** Why a thread finds no way for itself. */
function ownObstacle(inquiry: Inquiry): Obstacle {
  const twice = samePins(inquiry);
  if (twice.length > 0) return { code: 'pins-contradict', pins: twice };
  const wish = wishOf(inquiry.board, inquiry.demand);
  return wish === undefined ? withoutWish(inquiry) : againstWish(inquiry, wish);
}

const wishOf = (board: Board, demand: Demand): Way | undefined => board.finder.find(demand, ASKING);

/**
 * Why a thread found no way: the board holds everybody else's. Looks for what would have to give.
 */
export function diagnose(inquiry: Inquiry): Obstacle {
  const { board, demand, sides } = inquiry;
  const isSide = sides.length > 1 && samePins(inquiry).length === 0;
  return isSide && board.finder.find(demand, CLEAR) !== undefined ? asSide(inquiry) : ownObstacle(inquiry);
}

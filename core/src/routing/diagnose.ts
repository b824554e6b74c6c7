import type { LaneId, StationId, ThreadId } from '../rig/ids';
import type { Thread } from '../session/sessionSchema';
import type { Board } from './solve/board';
import type { PinRef } from './pinned';
import { demandWithoutPin, pinsOf } from './pinned';
import type { Remedy } from './remedy';
import { remedyFor } from './remedy';
import type { Demand } from './solve/demand';
import type { Way } from './solve/way';
import { CLEAR } from './solve/terms';
import type { PlaceRole, Waypoint } from './waypoints';
import { waypointsOf } from './waypoints';

/**
 * What stands in the way, and where: at a station, or on the copper between two. Without a thread it is
 * a cord that was planned by hand.
 */
export interface Holder {
  readonly lane: LaneId;
  readonly station?: StationId;
  readonly thread?: ThreadId;
}

/** Why a thread cannot be routed. Ids and lanes, no prose. */
export type Obstacle =
  | {
      /** A way exists, but others hold part of it and have nowhere else to go. */
      readonly code: 'held';
      readonly holders: readonly Holder[];
      /** The least that would free a way, where it was looked for and found. */
      readonly remedy?: Remedy;
    }
  | {
      /** Pins that cannot hold together. */
      readonly code: 'pins-contradict';
      readonly pins: readonly PinRef[];
    }
  | {
      /** A way exists, but nothing of its kind is left on the hook. */
      readonly code: 'no-cord-left';
      readonly from: LaneId;
      readonly to: LaneId;
      readonly stock: string;
    }
  | {
      /** Sides of a wide thread find no adjacent DAW inputs, though each alone would find one. */
      readonly code: 'no-pair';
      readonly width: number;
    }
  | {
      readonly code: 'no-way';
      /** The last station the thread passes, or its source. */
      readonly from: LaneId;
      readonly role: PlaceRole;
      readonly station?: StationId;
      readonly lane?: LaneId;
    };

/** The fewest held places, when the question is which of them stand in the way. */
const ASKING = { perConflict: 1e8, everyHeldPlace: true } as const;

/** What a search for the reason looks at. */
export interface Inquiry {
  readonly board: Board;
  readonly threads: readonly Thread[];
  readonly thread: Thread;
  readonly demand: Demand;
  /** Sides of the thread it is a side of. */
  readonly width: number;
  /** The way it would take in a rig with no cord planned by hand, over jacks that these hold now. */
  readonly withoutHandCords: () => readonly LaneId[] | undefined;
  /** Whether to look for what would free a way; it takes a search for every thread that stands in it. */
  readonly seeksRemedy: boolean;
  /** Which thread has which way. */
  readonly ways: ReadonlyMap<ThreadId, Way>;
}

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

/** Two of the thread's own pins between which no way leads, though there would be one without either. */
function contradictingOwnPins(inquiry: Inquiry): readonly PinRef[] {
  const own = pinsOf(inquiry.thread);
  if (own.length < 2) return [];
  const lifting = own.filter(
    ({ role }) =>
      inquiry.board.finder.find(demandWithoutPin(inquiry, inquiry.thread, role), ASKING) !== undefined,
  );
  return lifting.length >= 2 ? lifting : [];
}

/** Who holds what a way runs over: the stations held, or, where only copper is, the first lane of each holder. */
function holdersOn({ board, ways }: Inquiry, way: Way): readonly Holder[] {
  const { graph } = board.space;
  const lanes = graph.lanes.length;
  const used = new Set([way.start, ...way.steps.flatMap(({ from, to }) => [from, to])]);
  const holders: Holder[] = [];
  for (const [thread, other] of ways) {
    if (other.start === way.start) continue;
    for (const lane of other.resources) {
      const id = lane < lanes && used.has(lane) ? graph.lanes[lane]?.id : undefined;
      const station = graph.stations[graph.stationEndingAt[lane] ?? -1]?.id;
      if (id !== undefined) holders.push({ lane: id, thread, ...(station && { station }) });
    }
  }
  const atStations = holders.filter(({ station }) => station !== undefined);
  const list = atStations.length > 0 ? atStations : holders;
  const key = ({ thread, station }: Holder): string => `${thread ?? ''} ${station ?? ''}`;
  return list.filter((holder, i) => list.findIndex((other) => key(other) === key(holder)) === i);
}

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

/** A cord whose kind would not be left, on the way the thread would take if there were enough. */
function missingCord(inquiry: Inquiry, way: Way): Obstacle | undefined {
  const { table, space } = inquiry.board;
  for (const step of way.steps) {
    if (step.kind !== 'cord') continue;
    const { takes } = step.lead;
    const thing = takes.find((each) => table.left(each) < takes.filter((other) => other === each).length);
    const [from, to] = [space.graph.lanes[step.from]?.id, space.graph.lanes[step.to]?.id];
    const stock = space.hook.ids[thing ?? -1];
    if (stock !== undefined && from !== undefined && to !== undefined)
      return { code: 'no-cord-left', from, to, stock };
  }
  return undefined;
}

/** Whether a way only wants what hangs on the hook no more. */
const onlyShort = (inquiry: Inquiry, way: Way): boolean =>
  way.resources.every((resource, i) => inquiry.board.table.against(resource, way.values[i] ?? 0) === 0);

/**
 * Why a thread found no way: the board holds everybody else's. Looks for what would have to give.
 */
export function diagnose(inquiry: Inquiry): Obstacle {
  const { board, demand } = inquiry;
  const twice = samePins(inquiry);
  if (twice.length > 0) return { code: 'pins-contradict', pins: twice };
  if (board.finder.find(demand, CLEAR) !== undefined) return { code: 'no-pair', width: inquiry.width };
  const wish = board.finder.find(demand, ASKING);
  if (wish === undefined) {
    const own = contradictingOwnPins(inquiry);
    if (own.length > 0) return { code: 'pins-contradict', pins: own };
    const jacks = inquiry.withoutHandCords();
    return jacks === undefined ? noWay(inquiry) : { code: 'held', holders: jacks.map((lane) => ({ lane })) };
  }
  const cord = onlyShort(inquiry, wish) ? missingCord(inquiry, wish) : undefined;
  if (cord !== undefined) return cord;
  const holders = holdersOn(inquiry, wish);
  const remedy = inquiry.seeksRemedy ? remedyFor(inquiry, holders) : undefined;
  return { code: 'held', holders, ...(remedy && { remedy }) };
}

import { endsWhereNamed } from '../session/purposes';
import type { SignalGraph } from '../graph/signalGraph';
import type { HostProfile } from '../session/daw/hostProfile';
import type { Session, Thread } from '../session/sessionSchema';
import { asksOf } from './asks';
import type { Weights } from './costs';
import type { Demand, Goal, Item } from './solve/demand';
import { leadOf, sideOf, slotsOf } from './slots';
import type { Waypoint } from './waypoints';
import { waypointsOf } from './waypoints';

/** Channel and device of the DAW input or output that a lane belongs to. */
interface DawPlace {
  readonly device: string;
  readonly channel: number;
}

function dawPlaces(graph: SignalGraph): ReadonlyMap<number, DawPlace> {
  const places = new Map<number, DawPlace>();
  for (const station of graph.stations) {
    const place = { device: station.device, channel: station.channel };
    if (station.role === 'daw-input') places.set(station.out, place);
    if (station.role === 'daw-output') {
      places.set(station.in, place);
      places.set(station.out, place);
    }
  }
  return places;
}

/** One goal object for each waypoint of a graph, so that its bounds are worked out once. */
class Goals {
  private readonly known = new Map<string, Goal>();

  constructor(private readonly graph: SignalGraph) {}

  of({ role, station, lane, lanes }: Waypoint): Goal {
    const key = `${role} ${station ?? lane ?? ''}`;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const made = { lanes: new Set([...lanes].filter((each) => !this.graph.faulty.has(each))) };
    this.known.set(key, made);
    return made;
  }
}

/** Points by which DAW input an insert comes back to: its own number, or another. */
function insertEnd(
  start: number,
  places: ReadonlyMap<number, DawPlace>,
  profile: HostProfile,
  weights: Weights,
): Demand['endCost'] {
  const out = places.get(start);
  if (out === undefined) return undefined;
  const other = profile.insertPairs === 'strict' ? Infinity : weights['one-to-one'];
  return (lane) => {
    const back = places.get(lane);
    return back?.device === out.device && back.channel === out.channel ? 0 : other;
  };
}

/**
 * What the threads need, as items: single threads, and the sides of wide ones together. In the order of
 * the threads; a wide one stands where its first side does.
 */
export function itemsFor(
  graph: SignalGraph,
  session: Session,
  threads: readonly Thread[],
  weights: Weights,
): readonly Item[] {
  const goals = new Goals(graph);
  const places = dawPlaces(graph);
  const numberOf = new Map(threads.map(({ id }, number) => [id, number]));
  const demand = (thread: Thread): Demand => {
    const start = graph.laneIndex.get(thread.from) ?? -1;
    const endCost =
      thread.purpose === 'insert' ? insertEnd(start, places, session.hostProfile, weights) : undefined;
    return {
      thread: thread.id,
      number: numberOf.get(thread.id) ?? -1,
      asks: asksOf(thread),
      start,
      goals: waypointsOf(graph, thread).map((waypoint) => goals.of(waypoint)),
      ...(endCost && { endCost }),
    };
  };
  const groups = new Map<string, Thread[]>();
  for (const thread of threads) groups.set(leadOf(thread), [...(groups.get(leadOf(thread)) ?? []), thread]);
  return [...groups.values()].flatMap((sides): readonly Item[] => {
    const [first] = sides;
    const inOrder = [...sides].sort((a, b) => sideOf(a) - sideOf(b));
    const demands = inOrder.map(demand);
    // Feeds end where they say, so their sides need no slot together.
    if (first === undefined || sides.length === 1 || inOrder.some(({ purpose }) => endsWhereNamed(purpose)))
      return demands.map((each) => ({ demands: [each] }));
    const width = sideOf(inOrder.at(-1) ?? first) + 1;
    const slots = slotsOf(graph, width).map((slot) => inOrder.map((side) => slot[sideOf(side)] ?? -1));
    return [{ demands, slots }];
  });
}

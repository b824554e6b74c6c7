import { compileNear } from '../../graph/recompile';
import type { Edge, SignalGraph } from '../../graph/signalGraph';
import { MEDIA } from '../../rig/medium';
import type { Medium } from '../../rig/medium';
import type { Rig } from '../../rig/rigSchema';
import type { Cord, Scene, Session } from '../../session/sessionSchema';
import type { Weights } from '../costs';
import { CROSSPOINT_PER_CORD, HOP_POINTS, keptCordPoints, newCordPoints, weightsOf } from '../costs';
import { ArcList } from './arcList';
import type { Choosables } from './choosableArcs';
import { choosablesOf, pairKey } from './choosableArcs';
import type { Hook } from './leads';
import { hookOf, leadClass, leadsByClass, takenBy } from './leads';
import type { LeadHub, RoutingSpace } from './routingSpace';
import { ANY_MEDIUM, NONE } from './routingSpace';

// `any` stands last in the list of media; as a number it is the smallest, so that it tests quickly.
const MEDIUM_NUMBER = new Map<Medium, number>(
  MEDIA.map((medium, i) => [medium, medium === 'any' ? ANY_MEDIUM : i + 1]),
);
/** Numbers a signal can have. */
export const SIGNALS = MEDIA.length + 1;

/** Normals by edge index, and the lanes whose plug opens them. */
interface Normals {
  readonly numberOf: ReadonlyMap<number, number>;
  readonly opens: readonly (readonly number[])[];
}

const NOTHING: readonly number[] = [];

function normalsOf(graph: SignalGraph): Normals {
  const numberOf = new Map<number, number>();
  const opens: (readonly number[])[] = new Array<readonly number[]>(graph.lanes.length).fill(NOTHING);
  for (const edge of graph.edges) {
    if (!edge.closed || edge.openedBy.length === 0) continue;
    const number = numberOf.size;
    numberOf.set(edge.index, number);
    for (const jack of edge.openedBy) opens[jack] = [...(opens[jack] ?? NOTHING), number];
  }
  return { numberOf, opens };
}

function addEdges(
  list: ArcList,
  graph: SignalGraph,
  weights: Weights,
  normals: Normals,
  chosen: ReadonlySet<number>,
): void {
  const isProcessor = (edge: Edge): boolean => {
    const station = graph.stations[graph.stationEndingAt[edge.to] ?? NONE];
    return station?.in === edge.from && station.role === 'processor';
  };
  for (const edge of graph.edges) {
    if (!edge.closed || edge.track !== undefined || chosen.has(pairKey(edge.from, edge.to))) continue;
    list.add({
      from: edge.from,
      to: edge.to,
      cost: HOP_POINTS + (edge.kind === 'tieLine' ? weights['few-tie-lines'] : 0),
      copper: edge.passive,
      processor: isProcessor(edge),
      edge: edge.index,
      normal: normals.numberOf.get(edge.index) ?? NONE,
    });
  }
}

function addChoosables(list: ArcList, { arcs, knobs }: Choosables, weights: Weights): void {
  for (const { from, to, knob, value } of arcs) {
    const change = knobs[knob]?.value === value ? 0 : weights.keep * CROSSPOINT_PER_CORD;
    list.add({ from, to, cost: HOP_POINTS + change, copper: false, knob, value });
  }
}

function addOwnCords(
  list: ArcList,
  graph: SignalGraph,
  rig: Rig,
  weights: Weights,
  own: readonly Cord[],
  plugCost: Float64Array,
): void {
  const lengths = new Map(rig.cords.map(({ id, lengthM }) => [id, lengthM]));
  own.forEach((cord, index) => {
    const [from, to] = [graph.laneIndex.get(cord.from), graph.laneIndex.get(cord.to)];
    if (from === undefined || to === undefined || graph.faulty.has(from) || graph.faulty.has(to)) return;
    const points = keptCordPoints(weights, lengths.get(cord.stock) ?? 0);
    const plugs = (plugCost[from] ?? 0) + (plugCost[to] ?? 0);
    list.add({ from, to, cost: points + plugs, copper: true, cord: index });
  });
}

/** Jacks a cord of the router's may go into. */
const freeJacks = (graph: SignalGraph): readonly SignalGraph['lanes'][number][] =>
  graph.lanes.filter(
    ({ face, index }) => face === 'front' && !graph.plugAt.has(index) && !graph.faulty.has(index),
  );

/** Hubs and entries: which output jacks reach which input jacks by which leads. */
// eslint-disable-next-line max-lines-per-function -- the arrays of a space are filled in step
function leadHubs(
  rig: Rig,
  graph: SignalGraph,
  weights: Weights,
): Pick<RoutingSpace, 'hubs' | 'hubsFrom' | 'entries'> {
  const jacks = freeJacks(graph);
  const inputs = new Map<string, number[]>();
  for (const { direction, room, connector, index } of jacks) {
    if (direction !== 'in') continue;
    const key = `${room} ${connector}`;
    const list = inputs.get(key);
    if (list === undefined) inputs.set(key, [index]);
    else list.push(index);
  }
  const entryKeys = [...inputs.keys()];
  const classes = leadsByClass(rig);
  const hubs: LeadHub[] = [];
  const hubOf = new Map<string, number>();
  const hubsAt = (room: string, from: string): readonly number[] =>
    entryKeys.flatMap((key, entry): number[] => {
      const [at = '', to = ''] = key.split(' ');
      const leads = classes.get(leadClass(from, to));
      if (at !== room || leads === undefined) return [];
      const name = `${room} ${from} ${to}`;
      const known = hubOf.get(name);
      if (known !== undefined) return [known];
      hubOf.set(name, hubs.length);
      // An adaptor is one more thing to find and to fail: half a cord's worth.
      const extra = (takes: number): number => ((takes - 1) * weights['few-cords']) / 2;
      const priced = leads
        .map((lead) => ({ lead, cost: newCordPoints(weights, lead.lengthM) + extra(lead.takes.length) }))
        .sort((a, b) => a.cost - b.cost);
      hubs.push({ leads: priced.map(({ lead }) => lead), costs: priced.map(({ cost }) => cost), entry });
      return [hubs.length - 1];
    });
  const hubsFrom: (readonly number[])[] = new Array<readonly number[]>(graph.lanes.length).fill(NOTHING);
  const known = new Map<string, readonly number[]>();
  for (const { direction, room, connector, index } of jacks) {
    if (direction !== 'out') continue;
    const key = `${room} ${connector}`;
    const at = known.get(key) ?? hubsAt(room, connector);
    known.set(key, at);
    hubsFrom[index] = at;
  }
  return { hubs, hubsFrom, entries: [...inputs.values()].map((lanes) => Int32Array.from(lanes)) };
}

/** What the cords that stay have left on the hook. */
function capacityOf(hook: Hook, fixed: readonly Cord[]): readonly number[] {
  const left = [...hook.counts];
  for (const cord of fixed) for (const index of takenBy(hook, cord)) left[index] = (left[index] ?? 0) - 1;
  return left;
}

/**
 * The space of a scene: its graph without the router's own cords, every crosspoint it may close, every
 * cord it may keep or plug.
 * @param own cords the router may keep or pull; all others of the scene stay.
 * @param usedElsewhere normals ("from to", by lane id) that other scenes run over.
 */
// eslint-disable-next-line max-lines-per-function -- the arrays of a space are filled in step
export function buildSpace(
  rig: Rig,
  session: Session,
  scene: Scene,
  own: readonly Cord[],
  usedElsewhere: ReadonlySet<string> = new Set(),
): RoutingSpace {
  const ours = new Set(own.map(({ id }) => id));
  const fixed = scene.cords.filter(({ id }) => !ours.has(id));
  const graph = compileNear(rig, session, { ...scene, cords: fixed });
  const weights = weightsOf(session.routing);
  const hook = hookOf(rig);
  const normals = normalsOf(graph);
  const choosables = choosablesOf(rig, scene, graph);
  const opened = new Float64Array(normals.numberOf.size).fill(weights.normals);
  for (const [edgeIndex, number] of normals.numberOf) {
    const edge = graph.edges[edgeIndex];
    const name = `${graph.lanes[edge?.from ?? NONE]?.id ?? ''} ${graph.lanes[edge?.to ?? NONE]?.id ?? ''}`;
    if (usedElsewhere.has(name)) opened[number] = weights.normals + weights['others-normals'];
  }
  // Filled one by one: `from` with a function goes through an iterator, many times slower on this many lanes.
  const plugCost = new Float64Array(graph.lanes.length);
  const laneMedium = new Uint8Array(graph.lanes.length);
  for (const { index, medium } of graph.lanes) {
    plugCost[index] = (normals.opens[index] ?? NOTHING).reduce((sum, n) => sum + (opened[n] ?? 0), 0);
    laneMedium[index] = MEDIUM_NUMBER.get(medium) ?? ANY_MEDIUM;
  }
  const list = new ArcList(laneMedium, graph.edges.length + choosables.arcs.length + own.length);
  addEdges(list, graph, weights, normals, choosables.joined);
  addChoosables(list, choosables, weights);
  addOwnCords(list, graph, rig, weights, own, plugCost);
  return {
    graph,
    weights,
    arcs: list.arcs(),
    laneMedium,
    ...leadHubs(rig, graph, weights),
    plugCost,
    opens: normals.opens,
    normalCount: normals.numberOf.size,
    knobs: choosables.knobs,
    ownCords: own,
    ownTakes: own.map((cord) => takenBy(hook, cord)),
    hook,
    capacity: capacityOf(hook, fixed),
  };
}

import { reach } from '../graph/reach';
import type { SignalOrder } from '../graph/signalOrder';
import { signalOrder } from '../graph/signalOrder';
import type { Edge, SignalGraph } from '../graph/signalGraph';
import { powerOfDb } from '../units/decibel';
import type { Arrival } from './arrival';
import { merged } from './arrival';
import { edgeStep, noiseBehind } from './edgeStep';
import type { SoundSource } from './soundSources';

/** A lane where one source comes in by several edges. */
export interface ParallelPaths {
  readonly lane: number;
  readonly source: number;
  /** The strongest arrival of each edge that brings it. */
  readonly ways: readonly { readonly edge: number; readonly arrival: Arrival }[];
}

/** What is present at every lane of a scene when everything sounds at once. */
export interface LevelField {
  readonly sources: readonly SoundSource[];
  readonly sampleRateHz: number;
  /** By lane; undefined where no source is heard. */
  readonly arrivals: readonly (readonly Arrival[] | undefined)[];
  /** Noise by lane as a power ratio, that of the inputs the lane leads into left out; 0 where none is known. */
  readonly noisePower: Float64Array;
  /** For each lane the output that drives it, itself where it has electronics; -1 for copper that nothing drives. */
  readonly drivers: Int32Array;
  readonly parallelPaths: readonly ParallelPaths[];
  /** Nothing is carried over edges that close loops. */
  readonly order: SignalOrder;
}

function carried(
  arrival: Arrival,
  edge: Edge,
  gainDb: number,
  { compensationSamples }: SignalGraph,
): Arrival {
  const entersHost = edge.track !== undefined && !arrival.throughHost;
  const hostSamples = (entersHost ? compensationSamples : 0) - (edge.compensatedSamples ?? 0);
  return {
    source: arrival.source,
    gainDb: arrival.gainDb + gainDb,
    delaySamples: arrival.delaySamples + edge.delaySamples,
    alignedSamples: arrival.alignedSamples + edge.delaySamples + hostSamples,
    throughHost: arrival.throughHost || entersHost,
    inverted: arrival.inverted !== edge.inverts,
  };
}

type Coming = readonly { readonly edge: number; readonly arrivals: readonly Arrival[] }[];

/** Sources that come to a lane by more than one edge. */
function parallelPathsAt(lane: number, coming: Coming): readonly ParallelPaths[] {
  if (coming.length < 2) return [];
  const strongest = new Map<number, Map<number, Arrival>>();
  for (const { edge, arrivals } of coming)
    for (const arrival of arrivals) {
      const ways = strongest.get(arrival.source) ?? new Map<number, Arrival>();
      strongest.set(arrival.source, ways);
      const before = ways.get(edge);
      if (before === undefined || arrival.gainDb > before.gainDb) ways.set(edge, arrival);
    }
  return [...strongest]
    .filter(([, ways]) => ways.size > 1)
    .map(([source, ways]) => ({
      lane,
      source,
      ways: [...ways].map(([edge, arrival]) => ({ edge, arrival })),
    }));
}

/** The state of a field while lanes are worked out one after another, in signal order. */
class FieldWork {
  private readonly startsAt: ReadonlyMap<number, number>;

  constructor(
    private readonly graph: SignalGraph,
    private readonly sources: readonly SoundSource[],
    private readonly loopEdges: ReadonlySet<number>,
    readonly arrivals: (readonly Arrival[] | undefined)[],
    readonly noisePower: Float64Array,
    readonly drivers: Int32Array,
    readonly parallelPaths: ParallelPaths[],
  ) {
    this.startsAt = new Map(sources.map((source, index) => [source.lane, index]));
  }

  lane(lane: number): void {
    const { graph, noisePower, drivers, arrivals } = this;
    const here = graph.lanes[lane];
    const isCopper = here?.medium === 'any';
    const noiseDbu = here?.output?.noiseDbu;
    let noise = noiseDbu === undefined ? 0 : powerOfDb(noiseDbu);
    const coming: { edge: number; arrivals: readonly Arrival[] }[] = [];
    const own = this.startsAt.get(lane);
    const from = this.sources[own ?? -1];
    if (own !== undefined && from !== undefined)
      coming.push({ edge: -1, arrivals: [sourceArrival(own, from)] });
    drivers[lane] = isCopper ? -1 : lane;
    const { start, edge: list } = graph.incoming;
    for (let i = start[lane] ?? 0; i < (start[lane + 1] ?? 0); i++) {
      const edge = graph.edges[list[i] ?? -1];
      if (edge?.closed !== true || this.loopEdges.has(edge.index)) continue;
      const { gainDb } = edgeStep(graph, edge, graph.lanes[drivers[edge.from] ?? -1]);
      noise += noiseBehind(noisePower[edge.from] ?? 0, edge, gainDb);
      const heard = arrivals[edge.from];
      if (heard !== undefined)
        coming.push({ edge: edge.index, arrivals: heard.map((each) => carried(each, edge, gainDb, graph)) });
      if (isCopper) drivers[lane] = drivers[edge.from] ?? -1;
    }
    noisePower[lane] = noise;
    arrivals[lane] = coming.length === 0 ? undefined : merged(coming.flatMap((each) => each.arrivals));
    this.parallelPaths.push(...parallelPathsAt(lane, coming));
  }
}

const inLaneOrder = (parallelPaths: readonly ParallelPaths[]): readonly ParallelPaths[] =>
  [...parallelPaths].sort((a, b) => a.lane - b.lane || a.source - b.source);

/**
 * Carries every source through every conducting edge, each lane once, in signal order. Arrivals of one
 * source that come together in time add as voltages; those that do not are kept apart, for whoever asks
 * what they make together. Noise adds as power. Loops are cut where they close.
 */
export function levelField(graph: SignalGraph, sources: readonly SoundSource[]): LevelField {
  const order = signalOrder(graph);
  const count = graph.lanes.length;
  const work = new FieldWork(
    graph,
    sources,
    order.loopEdges,
    new Array<undefined>(count).fill(undefined),
    new Float64Array(count),
    new Int32Array(count).fill(-1),
    [],
  );
  for (const lane of order.lanes) work.lane(lane);
  const { arrivals, noisePower, drivers, parallelPaths } = work;
  const { sampleRateHz } = graph;
  return {
    sources,
    sampleRateHz,
    arrivals,
    noisePower,
    drivers,
    parallelPaths: inLaneOrder(parallelPaths),
    order,
  };
}

/**
 * What other sources make in the same scene: only the lanes they reach are worked out, the others hear nothing.
 * Noise is left as that of those lanes alone.
 */
export function fieldOfOthers(
  like: LevelField,
  graph: SignalGraph,
  sources: readonly SoundSource[],
): LevelField {
  const count = graph.lanes.length;
  const arrivals = new Array<readonly Arrival[] | undefined>(count).fill(undefined);
  const work = new FieldWork(
    graph,
    sources,
    like.order.loopEdges,
    arrivals,
    new Float64Array(count),
    like.drivers.slice(),
    [],
  );
  const isReached = new Uint8Array(count);
  const starts = sources.map(({ lane }) => lane);
  for (const lane of reach(graph, starts, 'from')) isReached[lane] = 1;
  for (const lane of like.order.lanes) if (isReached[lane] === 1) work.lane(lane);
  const { noisePower, drivers, parallelPaths } = work;
  return { ...like, sources, arrivals, noisePower, drivers, parallelPaths: inLaneOrder(parallelPaths) };
}

/** Whether arrivals that name sources by their place still name the same ones. */
const sameStarts = (before: readonly SoundSource[], after: readonly SoundSource[]): boolean =>
  before.length === after.length &&
  before.every(
    ({ lane, delaySamples }, i) => after[i]?.lane === lane && after[i].delaySamples === delaySamples,
  );

/**
 * A field after a change: lanes that something changed for are worked out anew, all others are taken over.
 * The result is what `levelField` gives.
 * @param dirty lanes downstream of every change, and of every output whose load has changed.
 * @param renumbered edges that are as they were under another number.
 * @param rejoined whether edges came, went, opened or closed, so that the order has to be found again.
 */
export function levelFieldAfter(
  before: LevelField,
  graph: SignalGraph,
  sources: readonly SoundSource[],
  dirty: ReadonlySet<number>,
  rejoined: boolean,
  renumbered: ReadonlyMap<number, number> = new Map(),
): LevelField {
  if (!sameStarts(before.sources, sources)) return levelField(graph, sources);
  const order = rejoined ? signalOrder(graph) : before.order;
  const kept = before.parallelPaths
    .filter(({ lane }) => !dirty.has(lane))
    .map((parallel) => ({
      ...parallel,
      ways: parallel.ways.map((way) => ({ ...way, edge: renumbered.get(way.edge) ?? way.edge })),
    }));
  const work = new FieldWork(
    graph,
    sources,
    order.loopEdges,
    [...before.arrivals],
    before.noisePower.slice(),
    before.drivers.slice(),
    [],
  );
  // A mask: on twenty thousand lanes, asking a set for each takes longer than the work itself.
  const isDirty = new Uint8Array(graph.lanes.length);
  for (const lane of dirty) isDirty[lane] = 1;
  for (const lane of order.lanes) if (isDirty[lane] === 1) work.lane(lane);
  const { arrivals, noisePower, drivers, parallelPaths } = work;
  return {
    ...{ sources, sampleRateHz: graph.sampleRateHz, arrivals, noisePower, drivers, order },
    parallelPaths: parallelPaths.length === 0 ? kept : inLaneOrder([...kept, ...parallelPaths]),
  };
}

const sourceArrival = (source: number, { delaySamples }: SoundSource): Arrival => ({
  source,
  gainDb: 0,
  delaySamples,
  alignedSamples: delaySamples,
  throughHost: false,
  inverted: false,
});

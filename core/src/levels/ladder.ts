import type { Edge, Lane, SignalGraph } from '../graph/signalGraph';
import { isAnalogue } from '../rig/medium';
import { peakOnSineScale } from '../units/analogueLevel';
import { powerSumDb } from '../units/decibel';
import { microphoneDbu } from '../units/soundLevel';
import { oneLegAt } from './oneLeg';
import type { SourceLevel } from './sourceLevel';
import { airSamples, startLevel } from './sourceLevel';
import type { Loading } from './loadingOf';
import { loadingOf, loadingUnknown } from './loadingOf';

/** One step of the arithmetic that leads to a rung, for a reader who redoes it on paper. */
export type Term =
  | { readonly kind: 'microphone'; readonly sensitivityDbu: number; readonly soundDbSpl: number }
  | ({ readonly kind: 'loading' } & Loading)
  | { readonly kind: 'gain'; readonly gainDb: number }
  | { readonly kind: 'one-leg'; readonly gainDb: number }
  | { readonly kind: 'air'; readonly distanceM: number; readonly delaySamples: number }
  | { readonly kind: 'reference'; readonly referenceDbu: number };

/**
 * The level at one lane of a path. Levels are in `unit`; those that would need a figure nobody gave
 * are left out. Noise is what is there at this lane, the noise of the following input included.
 */
export interface Rung {
  readonly lane: number;
  /** The edge that leads here; the first rung has none. */
  readonly edge?: number;
  readonly unit: 'dBu' | 'dBFS';
  readonly nominal?: number;
  readonly peak?: number;
  readonly noise?: number;
  readonly max?: number;
  /** max - peak. Negative is over. */
  readonly headroomDb?: number;
  readonly delaySamples: number;
  /** True where the polarity is inverted against the source. */
  readonly inverted: boolean;
  readonly terms: readonly Term[];
}

/** A figure that is missing, and so what could not be told. */
export interface LadderGap {
  readonly code:
    | 'sound-level-unknown'
    | 'level-unknown'
    | 'crest-unknown'
    | 'noise-unknown'
    | 'impedance-unknown'
    | 'max-unknown';
  readonly lane: number;
}

export interface Ladder {
  readonly rungs: readonly Rung[];
  readonly gaps: readonly LadderGap[];
  /** The rung with the least headroom, or -1 where none is known. */
  readonly worst: number;
}

const DIGITAL_MAX_DBFS = 0;

const unitOf = (lane: Lane): 'dBu' | 'dBFS' => (lane.medium === 'digital' ? 'dBFS' : 'dBu');

function maxAt(lane: Lane): number | undefined {
  if (lane.medium === 'digital') return DIGITAL_MAX_DBFS;
  const microphone = lane.microphone;
  if (microphone?.maxDbSpl !== undefined)
    return microphoneDbu(microphone.sensitivityDbu, microphone.maxDbSpl);
  return lane.output?.maxDbu ?? lane.input?.maxDbu;
}

/** Optional figures: present only when known, so that unknown never turns into a number. */
function figures(
  nominal: number | undefined,
  noise: number | undefined,
  crestDb: number | undefined,
  max: number | undefined,
): Pick<Rung, 'nominal' | 'peak' | 'noise' | 'max' | 'headroomDb'> {
  const peak = nominal === undefined || crestDb === undefined ? undefined : peakOnSineScale(nominal, crestDb);
  return {
    ...(nominal !== undefined && { nominal }),
    ...(peak !== undefined && { peak }),
    ...(noise !== undefined && { noise }),
    ...(max !== undefined && { max }),
    ...(max !== undefined && peak !== undefined && { headroomDb: max - peak }),
  };
}

const shifted = (level: number | undefined, byDb: number): number | undefined =>
  level === undefined ? undefined : level + byDb;

const summed = (level: number | undefined, added: number | undefined): number | undefined =>
  level === undefined || added === undefined ? level : powerSumDb([level, added]);

/** How an edge changes level, as arithmetic and as one figure. */
function stepOf(
  graph: SignalGraph,
  edge: Edge,
  loading: Loading | undefined,
  legDb: number,
): { terms: readonly Term[]; db: number } {
  const terms: Term[] = loading === undefined ? [] : [{ kind: 'loading', ...loading }];
  if (legDb !== 0) terms.push({ kind: 'one-leg', gainDb: legDb });
  const [from, to] = [graph.lanes[edge.from], graph.lanes[edge.to]];
  if (!edge.passive && from !== undefined && to !== undefined) {
    const changesScale = isAnalogue(from.medium) !== isAnalogue(to.medium);
    if (changesScale) terms.push({ kind: 'reference', referenceDbu: Math.abs(edge.gainDb) });
    else terms.push({ kind: 'gain', gainDb: edge.gainDb });
  }
  return { terms, db: edge.gainDb + (loading?.lossDb ?? 0) + legDb };
}

function firstTerms(lane: Lane, source: SourceLevel, delaySamples: number): readonly Term[] {
  const { levelDbSpl: soundDbSpl, distanceM } = source;
  const sensitivityDbu = lane.microphone?.sensitivityDbu;
  return [
    ...(sensitivityDbu === undefined || soundDbSpl === undefined
      ? []
      : [{ kind: 'microphone', sensitivityDbu, soundDbSpl } as const]),
    ...(delaySamples === 0 || distanceM === undefined
      ? []
      : [{ kind: 'air', distanceM, delaySamples } as const]),
  ];
}

function gapsOf(
  graph: SignalGraph,
  start: Lane,
  source: SourceLevel,
  path: readonly Edge[],
): readonly LadderGap[] {
  const gaps: LadderGap[] = [];
  if (startLevel(start, source) === undefined)
    gaps.push({
      code: start.microphone === undefined ? 'level-unknown' : 'sound-level-unknown',
      lane: start.index,
    });
  if (source.crestDb === undefined) gaps.push({ code: 'crest-unknown', lane: start.index });
  if (isAnalogue(start.medium) && start.output?.noiseDbu === undefined)
    gaps.push({ code: 'noise-unknown', lane: start.index });
  if (start.microphone !== undefined && maxAt(start) === undefined)
    gaps.push({ code: 'max-unknown', lane: start.index });
  for (const edge of path) {
    const [from, to] = [graph.lanes[edge.from], graph.lanes[edge.to]];
    if (isSilentUnit(edge, from, to)) gaps.push({ code: 'noise-unknown', lane: edge.to });
    if (edge.passive && from?.output !== undefined && loadingUnknown(graph, from.index))
      gaps.push({ code: 'impedance-unknown', lane: from.index });
    // A point inside a device has the maximum of the connectors around it, unless it is given one.
    if (to !== undefined && to.face !== 'inside' && isAnalogue(to.medium) && maxAt(to) === undefined)
      gaps.push({ code: 'max-unknown', lane: to.index });
  }
  return gaps;
}

/** Electronics between two connectors whose noise nobody gave. */
const isSilentUnit = (edge: Edge, from: Lane | undefined, to: Lane | undefined): boolean =>
  edge.kind === 'route' &&
  !edge.passive &&
  edge.inputNoise === undefined &&
  edge.outputNoise === undefined &&
  [from, to].every((lane) => lane !== undefined && lane.face !== 'inside' && isAnalogue(lane.medium));

function worstRung(rungs: readonly Rung[]): number {
  let worst = -1;
  rungs.forEach((rung, i) => {
    if (rung.headroomDb !== undefined && rung.headroomDb < (rungs[worst]?.headroomDb ?? Infinity)) worst = i;
  });
  return worst;
}

/**
 * Levels along a path, from its source on: RMS in dBu on analogue lanes and dBFS on digital ones,
 * peaks on the sine scale of the maxima, noise as a power sum at every input (20 Hz to 20 kHz).
 * The load of everything on a net is felt from the first lane after its driver on.
 * @param path edges in signal order, starting at `start`.
 */
export function ladder(
  graph: SignalGraph,
  start: number,
  path: readonly Edge[],
  source: SourceLevel,
): Ladder {
  const first = graph.lanes[start];
  if (first === undefined) return { rungs: [], gaps: [], worst: -1 };
  let nominal = startLevel(first, source);
  let noise = summed(first.output?.noiseDbu, path[0]?.inputNoise);
  let delaySamples = airSamples(source, graph.sampleRateHz);
  let driver = first;
  let inverted = false;
  const base = {
    lane: start,
    unit: unitOf(first),
    delaySamples,
    inverted,
    terms: firstTerms(first, source, delaySamples),
  };
  const rungs: Rung[] = [{ ...base, ...figures(nominal, noise, source.crestDb, maxAt(first)) }];
  path.forEach((edge, i) => {
    const lane = graph.lanes[edge.to];
    if (lane === undefined) return;
    const legDb = oneLegAt(driver, edge, lane);
    const { terms, db } = stepOf(
      graph,
      edge,
      edge.passive && graph.lanes[edge.from]?.output !== undefined ? loadingOf(graph, edge.from) : undefined,
      legDb,
    );
    if (lane.medium !== 'any') driver = lane;
    nominal = shifted(nominal, db);
    noise = summed(summed(shifted(noise, db), edge.outputNoise), path[i + 1]?.inputNoise);
    delaySamples += edge.delaySamples;
    inverted = inverted !== edge.inverts;
    const rung = { lane: edge.to, edge: edge.index, unit: unitOf(lane), delaySamples, inverted, terms };
    rungs.push({ ...rung, ...figures(nominal, noise, source.crestDb, maxAt(lane)) });
  });
  return { rungs, gaps: gapsOf(graph, first, source, path), worst: worstRung(rungs) };
}

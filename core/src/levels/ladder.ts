import type { Edge, Lane, SignalGraph } from '../graph/signalGraph';
import { isAnalogue } from '../rig/medium';
import { peakOnSineScale } from '../units/analogueLevel';
import { powerOfDb } from '../units/decibel';
import type { EdgeStep } from './edgeStep';
import { driverBehind, edgeStep, noiseBehind } from './edgeStep';
import { maxLevel } from './maxLevel';
import type { SourceLevel } from './sourceLevel';
import { airSamples, startLevel } from './sourceLevel';
import type { Loading } from './loadingOf';
import { loadingUnknown } from './loadingOf';

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
  /** What the edge that leads here changed, its joint included; 0 at the first rung. */
  readonly gainDb: number;
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

/** A figure that is missing or of another kind than the rest, and so what could not be told. */
export interface LadderGap {
  readonly code:
    | 'sound-level-unknown'
    | 'level-unknown'
    | 'crest-unknown'
    | 'noise-unknown'
    | 'noise-weighted'
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

const unitOf = (lane: Lane): 'dBu' | 'dBFS' => (lane.medium === 'digital' ? 'dBFS' : 'dBu');

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

/** How an edge changes level, as arithmetic for a reader. */
function termsOf(graph: SignalGraph, edge: Edge, { loading, oneLegDb }: EdgeStep): readonly Term[] {
  const terms: Term[] = loading === undefined ? [] : [{ kind: 'loading', ...loading }];
  if (oneLegDb !== 0) terms.push({ kind: 'one-leg', gainDb: oneLegDb });
  const [from, to] = [graph.lanes[edge.from], graph.lanes[edge.to]];
  if (!edge.passive && from !== undefined && to !== undefined) {
    const changesScale = isAnalogue(from.medium) !== isAnalogue(to.medium);
    if (changesScale) terms.push({ kind: 'reference', referenceDbu: Math.abs(edge.gainDb) });
    else terms.push({ kind: 'gain', gainDb: edge.gainDb });
  }
  return terms;
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
  if (start.microphone?.noiseIsWeighted === true) gaps.push({ code: 'noise-weighted', lane: start.index });
  if (start.microphone !== undefined && maxLevel(start) === undefined)
    gaps.push({ code: 'max-unknown', lane: start.index });
  for (const edge of path) {
    const [from, to] = [graph.lanes[edge.from], graph.lanes[edge.to]];
    if (isSilentUnit(edge, from, to)) gaps.push({ code: 'noise-unknown', lane: edge.to });
    if (edge.passive && from?.output !== undefined && loadingUnknown(graph, from.index))
      gaps.push({ code: 'impedance-unknown', lane: from.index });
    // A point inside a device has the maximum of the connectors around it, unless it is given one.
    if (to !== undefined && to.face !== 'inside' && isAnalogue(to.medium) && maxLevel(to) === undefined)
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
// eslint-disable-next-line max-lines-per-function -- one walk along the path whose running figures belong together
export function ladder(
  graph: SignalGraph,
  start: number,
  path: readonly Edge[],
  source: SourceLevel,
): Ladder {
  const first = graph.lanes[start];
  if (first === undefined) return { rungs: [], gaps: [], worst: -1 };
  let nominal = startLevel(first, source);
  let noisePower = first.output?.noiseDbu === undefined ? undefined : powerOfDb(first.output.noiseDbu);
  let delaySamples = airSamples(source, graph.sampleRateHz);
  let driver: Lane | undefined = first;
  let inverted = false;
  /** The noise at a lane, that of the input it leads into included. */
  const noiseAt = (next: Edge | undefined): number | undefined =>
    noisePower === undefined
      ? undefined
      : 10 * Math.log10(noisePower + (next?.inputNoise === undefined ? 0 : powerOfDb(next.inputNoise)));
  const rungs: Rung[] = [
    {
      ...{ lane: start, unit: unitOf(first), gainDb: 0, delaySamples, inverted },
      terms: firstTerms(first, source, delaySamples),
      ...figures(nominal, noiseAt(path[0]), source.crestDb, maxLevel(first)),
    },
  ];
  path.forEach((edge, i) => {
    const lane = graph.lanes[edge.to];
    if (lane === undefined) return;
    const step = edgeStep(graph, edge, driver);
    const { gainDb } = step;
    driver = driverBehind(graph, edge, driver);
    nominal = nominal === undefined ? undefined : nominal + gainDb;
    noisePower = noisePower === undefined ? undefined : noiseBehind(noisePower, edge, gainDb);
    delaySamples += edge.delaySamples;
    inverted = inverted !== edge.inverts;
    rungs.push({
      ...{ lane: edge.to, edge: edge.index, unit: unitOf(lane), gainDb, delaySamples, inverted },
      terms: termsOf(graph, edge, step),
      ...figures(nominal, noiseAt(path[i + 1]), source.crestDb, maxLevel(lane)),
    });
  });
  return { rungs, gaps: gapsOf(graph, first, source, path), worst: worstRung(rungs) };
}

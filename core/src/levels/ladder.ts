import type { Edge, Lane, SignalGraph } from '../graph/signalGraph';
import { isAnalogue } from '../rig/medium';
import { peakOnSineScale } from '../units/analogueLevel';
import { powerSumDb } from '../units/decibel';
import { microphoneDbu } from '../units/soundLevel';
import type { Loading } from './loadingOf';
import { loadingOf, loadingUnknown } from './loadingOf';

/** What is known of a sound source at its microphone. */
export interface SourceLevel {
  readonly levelDbSpl?: number;
  readonly crestDb?: number;
}

/** One step of the arithmetic that leads to a rung, for a reader who redoes it on paper. */
export type Term =
  | { readonly kind: 'microphone'; readonly sensitivityDbu: number; readonly soundDbSpl: number }
  | ({ readonly kind: 'loading' } & Loading)
  | { readonly kind: 'gain'; readonly gainDb: number }
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
    'sound-level-unknown' | 'crest-unknown' | 'noise-unknown' | 'impedance-unknown' | 'max-unknown';
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
): { terms: readonly Term[]; db: number } {
  const terms: Term[] = loading === undefined ? [] : [{ kind: 'loading', ...loading }];
  const [from, to] = [graph.lanes[edge.from], graph.lanes[edge.to]];
  if (!edge.passive && from !== undefined && to !== undefined) {
    const changesScale = isAnalogue(from.medium) !== isAnalogue(to.medium);
    if (changesScale) terms.push({ kind: 'reference', referenceDbu: Math.abs(edge.gainDb) });
    else terms.push({ kind: 'gain', gainDb: edge.gainDb });
  }
  return { terms, db: edge.gainDb + (loading?.lossDb ?? 0) };
}

function firstTerms(lane: Lane, source: SourceLevel): readonly Term[] {
  if (lane.microphone === undefined || source.levelDbSpl === undefined) return [];
  return [
    { kind: 'microphone', sensitivityDbu: lane.microphone.sensitivityDbu, soundDbSpl: source.levelDbSpl },
  ];
}

function gapsOf(
  graph: SignalGraph,
  start: Lane,
  source: SourceLevel,
  path: readonly Edge[],
): readonly LadderGap[] {
  const gaps: LadderGap[] = [];
  if (source.levelDbSpl === undefined) gaps.push({ code: 'sound-level-unknown', lane: start.index });
  if (source.crestDb === undefined) gaps.push({ code: 'crest-unknown', lane: start.index });
  if (start.output?.noiseDbu === undefined) gaps.push({ code: 'noise-unknown', lane: start.index });
  if (start.microphone !== undefined && maxAt(start) === undefined)
    gaps.push({ code: 'max-unknown', lane: start.index });
  for (const edge of path) {
    const [from, to] = [graph.lanes[edge.from], graph.lanes[edge.to]];
    if (edge.passive && from?.output !== undefined && loadingUnknown(graph, from.index))
      gaps.push({ code: 'impedance-unknown', lane: from.index });
    // A point inside a device has the maximum of the connectors around it, unless it is given one.
    if (to !== undefined && to.face !== 'inside' && isAnalogue(to.medium) && maxAt(to) === undefined)
      gaps.push({ code: 'max-unknown', lane: to.index });
  }
  return gaps;
}

function worstRung(rungs: readonly Rung[]): number {
  let worst = -1;
  rungs.forEach((rung, i) => {
    if (rung.headroomDb !== undefined && rung.headroomDb < (rungs[worst]?.headroomDb ?? Infinity)) worst = i;
  });
  return worst;
}

/**
 * Levels along a path, from a microphone on: RMS in dBu on analogue lanes and dBFS on digital ones,
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
  const sound = source.levelDbSpl;
  let nominal =
    first.microphone === undefined || sound === undefined
      ? undefined
      : microphoneDbu(first.microphone.sensitivityDbu, sound);
  let noise = summed(first.output?.noiseDbu, path[0]?.inputNoise);
  let delaySamples = 0;
  let inverted = false;
  const base = { lane: start, unit: unitOf(first), delaySamples, inverted, terms: firstTerms(first, source) };
  const rungs: Rung[] = [{ ...base, ...figures(nominal, noise, source.crestDb, maxAt(first)) }];
  path.forEach((edge, i) => {
    const lane = graph.lanes[edge.to];
    if (lane === undefined) return;
    const { terms, db } = stepOf(graph, edge, edge.passive ? loadingOf(graph, edge.from) : undefined);
    nominal = shifted(nominal, db);
    noise = summed(summed(shifted(noise, db), edge.outputNoise), path[i + 1]?.inputNoise);
    delaySamples += edge.delaySamples;
    inverted = inverted !== edge.inverts;
    const rung = { lane: edge.to, edge: edge.index, unit: unitOf(lane), delaySamples, inverted, terms };
    rungs.push({ ...rung, ...figures(nominal, noise, source.crestDb, maxAt(lane)) });
  });
  return { rungs, gaps: gapsOf(graph, first, source, path), worst: worstRung(rungs) };
}

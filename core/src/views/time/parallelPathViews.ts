import type { WorkedScene } from '../../scene/workedScene';
import { deepestComb } from '../../scene/deepestComb';
import { worstParallelPaths } from '../../scene/parallelPathsByPort';
import { entityName, namingOf } from '../../words/naming';
import { threadName } from '../../session/threadName';
import { laneIdAt, sourceRef } from '../../scene/places';
import type { Arrival } from '../../levels/arrival';
import type { LaneId } from '../../rig/ids';
import type { Comb } from '../../timing/comb';
import { logFrequenciesHz, responseDb } from '../../timing/response';
import { coherentSums } from '../../timing/coherentSums';
import { msFromSamples } from '../../units/duration';

/** Two ways of one sound that come together, and what they make of it. */
export interface ParallelPathsView {
  readonly key: string;
  readonly lane: LaneId;
  readonly source: string;
  readonly place: string;
  /** `ways` of one source through the rig, or several `microphones` in front of one sound. */
  readonly of: 'ways' | 'microphones';
  /** Every way: through which lane it comes, when, how loud and which way up, against the strongest. */
  readonly ways: readonly {
    readonly through: string;
    readonly lateSamples: number;
    readonly lateMs: number;
    readonly levelDb: number;
    readonly inverted: boolean;
  }[];
  /** First notches of the two ways that make the deepest comb. */
  readonly notchesHz: readonly number[];
  /** The first notch of the sum, and how deep it is under the strongest way alone; none below 20 kHz. */
  readonly firstNotch?: { readonly hz: number; readonly db: number };
  /** From here on the teeth stand too close to be told apart: the response lies between `dipDb` and `peakDb`. */
  readonly blurHz: number;
  /** Least and greatest of the response. */
  readonly dipDb: number;
  readonly peakDb: number;
  /** Response of the sum over the strongest way alone, up to `blurHz`. */
  readonly response: readonly { readonly hz: number; readonly db: number }[];
}

const POINTS = 2400;
/** A curve that goes to nothing is drawn down to here. */
const LOWEST_DB = -60;

/** Teeth that are told apart on a screen of usual width: behind these the curve is a blur. */
const TEETH = 24;

/** The frequency behind which the teeth of a comb cannot be told apart: so many of them, 1/τ apart. */
function blurFrom(arrivals: readonly Arrival[], sampleRateHz: number): number {
  const times = arrivals.map(({ alignedSamples }) => alignedSamples);
  const longest = Math.max(...times) - Math.min(...times);
  return longest === 0 ? Infinity : (TEETH * sampleRateHz) / longest;
}

/**
 * Between what the sum lies at frequencies where the phases may be anything: what comes at one moment adds up to one
 * phasor, and the others all add to the largest of them, or all stand against it.
 */
function boundsOf(
  arrivals: readonly Arrival[],
  strongest: Arrival,
): Pick<ParallelPathsView, 'dipDb' | 'peakDb'> {
  const atOnce = new Map<number, number>();
  for (const { alignedSamples, gainDb, inverted } of arrivals) {
    const size = 10 ** ((gainDb - strongest.gainDb) / 20) * (inverted ? -1 : 1);
    atOnce.set(alignedSamples, (atOnce.get(alignedSamples) ?? 0) + size);
  }
  const sizes = [...atOnce.values()].map(Math.abs).sort((one, other) => other - one);
  const [largest = 0, ...others] = sizes;
  const rest = others.reduce((sum, size) => sum + size, 0);
  const decibel = (size: number): number => Math.max(LOWEST_DB, 20 * Math.log10(size));
  return { dipDb: decibel(Math.max(0, largest - rest)), peakDb: decibel(largest + rest) };
}

/** How near the first notch of two ways that of all of them is looked for, as a part of its frequency. */
const NEAR = 0.3;
const STEPS = 400;

/** The first notch of the sum: near that of the two ways that make the deepest comb, where the sum is least. */
function firstNotch(
  arrivals: readonly Arrival[],
  strongest: Arrival,
  sampleRateHz: number,
  nearHz: number | undefined,
): ParallelPathsView['firstNotch'] {
  if (nearHz === undefined || nearHz <= 0) return undefined;
  const at = (hz: number): { readonly hz: number; readonly db: number } => ({
    hz,
    db: Math.max(LOWEST_DB, responseDb(arrivals, hz, sampleRateHz) - strongest.gainDb),
  });
  return logFrequenciesHz(STEPS + 1, nearHz * (1 - NEAR), nearHz * (1 + NEAR))
    .map(at)
    .reduce((least, each) => (each.db < least.db ? each : least));
}

/** What is drawn and told of several arrivals of one sound. */
function figuresOf(
  ways: readonly { readonly through: string; readonly arrival: Arrival }[],
  { notchesHz }: Comb,
  sampleRateHz: number,
): Pick<ParallelPathsView, 'ways' | 'notchesHz' | 'firstNotch' | 'blurHz' | 'dipDb' | 'peakDb' | 'response'> {
  const arrivals = ways.map(({ arrival }) => arrival);
  const strongest = arrivals.reduce((a, b) => (b.gainDb > a.gainDb ? b : a));
  const response = logFrequenciesHz(POINTS).map((hz) => ({
    hz,
    db: Math.max(LOWEST_DB, responseDb(arrivals, hz, sampleRateHz) - strongest.gainDb),
  }));
  const blurHz = blurFrom(arrivals, sampleRateHz);
  const first = firstNotch(arrivals, strongest, sampleRateHz, notchesHz[0]);
  return {
    ways: ways
      .map(({ through, arrival }) => {
        const late = arrival.alignedSamples - strongest.alignedSamples;
        return {
          through,
          lateSamples: late,
          lateMs: msFromSamples(late, sampleRateHz),
          levelDb: arrival.gainDb - strongest.gainDb,
          inverted: arrival.inverted !== strongest.inverted,
        };
      })
      .sort((a, b) => b.levelDb - a.levelDb),
    notchesHz,
    ...(first !== undefined && { firstNotch: first }),
    blurHz,
    ...boundsOf(arrivals, strongest),
    response: response.filter(({ hz }) => hz <= blurHz),
  };
}

/** Ways of one source through the rig that come together, the deepest comb of each bus. */
function waysThatMeet(context: WorkedScene): readonly ParallelPathsView[] {
  const { graph, field, rig, session } = context;
  const naming = namingOf(rig, session, graph);
  const rate = session.sampleRateHz;
  return worstParallelPaths(context, (parallel) => {
    const deepest = deepestComb(parallel, rate);
    return deepest === undefined ? undefined : { ...deepest, worth: -deepest.comb.dipDb };
  }).map(({ parallel, lane, judged: { comb } }) => {
    const source = entityName(naming, sourceRef(context, field.sources[parallel.source]));
    const id = laneIdAt(context, lane);
    const through = (edge: number): string => graph.lanes[graph.edges[edge]?.from ?? -1]?.name ?? 'here';
    return {
      ...{ key: `${source} ${id}`, lane: id, source, place: graph.lanes[lane]?.name ?? id, of: 'ways' },
      ...figuresOf(
        parallel.ways.map(({ edge, arrival }) => ({ through: through(edge), arrival })),
        comb,
        rate,
      ),
    };
  });
}

/** Close and distant microphones of one sound, where they come together. */
function microphonesThatMeet(context: WorkedScene): readonly ParallelPathsView[] {
  const { graph, field, session } = context;
  const rate = session.sampleRateHz;
  return coherentSums(session, graph, field).flatMap(
    ({ lane, sound, ways }): readonly ParallelPathsView[] => {
      const deepest = deepestComb({ ways }, rate);
      if (deepest === undefined) return [];
      const id = laneIdAt(context, lane);
      return [
        {
          ...{ key: `microphones ${sound} ${id}`, lane: id, source: sound, of: 'microphones' },
          place: graph.lanes[lane]?.name ?? id,
          ...figuresOf(
            ways.map(({ thread, arrival }) => ({ through: threadName(thread), arrival })),
            deepest.comb,
            rate,
          ),
        },
      ];
    },
  );
}

/** Everything that meets a later copy of itself. */
export const parallelPathViews = (context: WorkedScene): readonly ParallelPathsView[] => [
  ...waysThatMeet(context),
  ...microphonesThatMeet(context),
];

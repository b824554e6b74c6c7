import type { WorkedScene } from '../scene/workedScene';
import { referenceKnob } from '../scene/referenceOf';
import type { Edge, GraphStation } from '../graph/signalGraph';
import type { StationId } from '../rig/ids';
import { driverBehind, edgeStep, noiseBehind } from '../levels/edgeStep';
import { maxLevel } from '../levels/maxLevel';

/** A reference level for both ends of a round trip, and what it does to the outboard in between. */
export interface ReferenceChoice {
  readonly referenceDbu: number;
  /** Room over a full-scale sine at the weakest unit; negative clips before the converter does. */
  readonly headroomDb: number;
  /** Noise of what lies between, under full scale of the input, dBFS. */
  readonly noiseDbfs?: number;
}

export interface ReferenceAdvice {
  readonly out: StationId;
  readonly back: StationId;
  readonly choices: readonly ReferenceChoice[];
  /** The lane with the least room between the two, where a maximum is known. */
  readonly weakest?: number;
  /** The highest at which a full-scale sine still fits everywhere; else the one with the most room. */
  readonly best: number;
}

const positionsOf = (context: WorkedScene, station: GraphStation): readonly number[] =>
  referenceKnob(context, station)?.spec.range?.positions ?? [];

interface Between {
  /** Gains from the output's connector to each lane, and the room there over 0 dBu. */
  readonly weakest: { readonly lane?: number; readonly roomDbu: number };
  /** Noise at the input, dBu. */
  readonly noiseDbu?: number;
}

/** The analogue part of a trip: what is loaded, gained and added between its two converters. */
function between(context: WorkedScene, path: readonly Edge[], from: number, to: number): Between {
  const { graph } = context;
  let [gainDb, noise] = [0, 0];
  let driver = graph.lanes[from];
  let weakest: Between['weakest'] = { roomDbu: Infinity };
  const first = path.findIndex((edge) => edge.from === from);
  const last = path.findIndex((edge) => edge.to === to);
  for (const edge of path.slice(first, last + 1)) {
    const step = edgeStep(graph, edge, driver);
    gainDb += step.gainDb;
    noise = noiseBehind(noise, edge, step.gainDb);
    driver = driverBehind(graph, edge, driver);
    const lane = graph.lanes[edge.to];
    // The converter's own input moves with the reference: it is not what limits.
    const max = lane === undefined || edge.to === to ? undefined : maxLevel(lane);
    if (max !== undefined && max - gainDb < weakest.roomDbu)
      weakest = { lane: edge.to, roomDbu: max - gainDb };
  }
  return { weakest, ...(noise > 0 && { noiseDbu: 10 * Math.log10(noise) }) };
}

/**
 * The best reference level for a round trip through given outboard, the same at both ends so that it has
 * unity gain: the highest at which full scale clips nothing in between, which also keeps the outboard's
 * noise lowest. Nothing where the two have no position in common.
 */
export function referenceAdvice(
  context: WorkedScene,
  path: readonly Edge[],
  stations: readonly GraphStation[],
): ReferenceAdvice | undefined {
  const out = stations.find(({ role }) => role === 'line-output');
  const back = stations.find(({ role }) => role === 'converter');
  if (out === undefined || back === undefined) return undefined;
  const theirs = new Set(positionsOf(context, back));
  const positions = positionsOf(context, out).filter((position) => theirs.has(position));
  const { weakest, noiseDbu } = between(context, path, out.out, back.in);
  const choices = [...positions]
    .sort((a, b) => a - b)
    .map((referenceDbu): ReferenceChoice => ({
      referenceDbu,
      headroomDb: weakest.roomDbu - referenceDbu,
      ...(noiseDbu !== undefined && { noiseDbfs: noiseDbu - referenceDbu }),
    }));
  const fitting = choices.filter(({ headroomDb }) => headroomDb >= 0);
  const best = fitting.at(-1)?.referenceDbu ?? choices[0]?.referenceDbu;
  if (best === undefined) return undefined;
  return {
    ...{ out: out.id, back: back.id, choices, best },
    ...(weakest.lane !== undefined && { weakest: weakest.lane }),
  };
}

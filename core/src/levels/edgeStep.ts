import type { Edge, Lane, SignalGraph } from '../graph/signalGraph';
import { powerOfDb } from '../units/decibel';
import type { Loading } from './loadingOf';
import { loadingOf } from './loadingOf';
import { oneLegAt } from './oneLeg';

/** What passing an edge does to a level: all of it, and the parts that are not the edge's own gain. */
export interface EdgeStep {
  /** dB; from dBu to dBFS where the edge changes the scale. */
  readonly gainDb: number;
  /** Where an output meets its loads, and both impedances are known. */
  readonly loading?: Loading;
  /** What is lost because an unbalanced input takes one leg; 0 where it takes both. */
  readonly oneLegDb: number;
}

/**
 * The one arithmetic of an edge, for ladders, fields, advice and whatever measures against them.
 * @param driver the lane with electronics that drives the copper the edge is part of, where one does.
 */
export function edgeStep(graph: SignalGraph, edge: Edge, driver: Lane | undefined): EdgeStep {
  if (!edge.passive) return { gainDb: edge.gainDb, oneLegDb: 0 };
  const [from, to] = [graph.lanes[edge.from], graph.lanes[edge.to]];
  const loading = from?.output?.sourceOhm === undefined ? undefined : loadingOf(graph, edge.from);
  const oneLegDb = driver === undefined || to === undefined ? 0 : oneLegAt(driver, edge, to);
  return {
    gainDb: edge.gainDb + (loading?.lossDb ?? 0) + oneLegDb,
    oneLegDb,
    ...(loading && { loading }),
  };
}

/**
 * Noise power behind an edge: what comes in and what its input adds, through the gain, and what its output adds.
 * @param before power ratio re the unit of the lane the edge leaves; likewise the result behind it.
 */
export function noiseBehind(before: number, edge: Edge, gainDb: number): number {
  const into = edge.inputNoise === undefined ? before : before + powerOfDb(edge.inputNoise);
  const through = gainDb === 0 ? into : into * powerOfDb(gainDb);
  return edge.outputNoise === undefined ? through : through + powerOfDb(edge.outputNoise);
}

/** The lane that drives what lies behind an edge: its own end, unless that is copper. */
export const driverBehind = (graph: SignalGraph, edge: Edge, driver: Lane | undefined): Lane | undefined => {
  const to = graph.lanes[edge.to];
  return to === undefined || to.medium === 'any' ? driver : to;
};

import { netDrivenBy } from '../graph/nets';
import type { SignalGraph } from '../graph/signalGraph';
import { loadingDb, parallelOhm } from '../units/loading';

/** What the loads of a net cost its driver. */
export interface Loading {
  readonly sourceOhm: number;
  /** All loads of the net in parallel. */
  readonly loadOhm: number;
  /** Zero or negative. */
  readonly lossDb: number;
}

/**
 * The loading at an output: its source impedance into all inputs of its net in parallel.
 * Undefined where the lane is copper, drives no input, or an impedance is unknown.
 */
export function loadingOf(graph: SignalGraph, driver: number): Loading | undefined {
  const sourceOhm = graph.lanes[driver]?.output?.sourceOhm;
  if (sourceOhm === undefined) return undefined;
  const loads = netDrivenBy(graph, driver).loads.map((lane) => graph.lanes[lane]?.input?.loadOhm);
  const known = loads.filter((ohm) => ohm !== undefined);
  if (known.length === 0 || known.length < loads.length) return undefined;
  const loadOhm = parallelOhm(known);
  return { sourceOhm, loadOhm, lossDb: loadingDb(sourceOhm, loadOhm) };
}

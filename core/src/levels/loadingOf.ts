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

/** The impedances on a net: of its driver, and of each of its inputs. */
function impedances(
  graph: SignalGraph,
  driver: number,
): { readonly source: number | undefined; readonly loads: readonly (number | undefined)[] } {
  const source = graph.lanes[driver]?.output?.sourceOhm;
  return { source, loads: netDrivenBy(graph, driver).loads.map((lane) => graph.lanes[lane]?.input?.loadOhm) };
}

/**
 * The loading at an output: its source impedance into all inputs of its net in parallel.
 * Undefined where the lane is copper, drives no input, or an impedance is unknown.
 */
export function loadingOf(graph: SignalGraph, driver: number): Loading | undefined {
  const { source: sourceOhm, loads } = impedances(graph, driver);
  const known = loads.filter((ohm) => ohm !== undefined);
  if (sourceOhm === undefined || known.length === 0 || known.length < loads.length) return undefined;
  const loadOhm = parallelOhm(known);
  return { sourceOhm, loadOhm, lossDb: loadingDb(sourceOhm, loadOhm) };
}

/** Whether an output drives an input and an impedance on their net is not known. */
export function loadingUnknown(graph: SignalGraph, driver: number): boolean {
  const { source, loads } = impedances(graph, driver);
  return loads.length > 0 && [source, ...loads].includes(undefined);
}

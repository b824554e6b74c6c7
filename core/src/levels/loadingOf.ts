import { netDrivenBy } from '../graph/nets';
import type { SignalGraph } from '../graph/signalGraph';
import { laneIdOf } from '../rig/ids';
import { loadingDb, parallelOhm } from '../units/loading';

/** What the loads of a net cost its driver. */
export interface Loading {
  readonly sourceOhm: number;
  /** All loads of the net in parallel. */
  readonly loadOhm: number;
  /** Zero or negative. */
  readonly lossDb: number;
}

/** What one input loads its driver with; through a transformer, by what hangs behind it. */
function loadAt(graph: SignalGraph, lane: number): number | undefined {
  const at = graph.lanes[lane];
  const transformer = at?.input?.transformer;
  if (at === undefined || transformer === undefined) return at?.input?.loadOhm;
  const { to, ratio, secondaryOhm } = transformer;
  const secondary = graph.laneIndex.get(laneIdOf(at.device, to.port, to.lane)) ?? -1;
  const behind = netDrivenBy(graph, secondary).loads.map((each) => graph.lanes[each]?.input?.loadOhm);
  const known = behind.filter((ohm) => ohm !== undefined);
  return known.length < behind.length ? undefined : ratio ** 2 * (secondaryOhm + parallelOhm(known));
}

/** The impedances on a net: of its driver, and of each of its inputs. */
function impedances(
  graph: SignalGraph,
  driver: number,
): { readonly source: number | undefined; readonly loads: readonly (number | undefined)[] } {
  const source = graph.lanes[driver]?.output?.sourceOhm;
  return { source, loads: netDrivenBy(graph, driver).loads.map((lane) => loadAt(graph, lane)) };
}

interface Joint {
  readonly loading: Loading | undefined;
  readonly unknown: boolean;
}

function jointAt(graph: SignalGraph, driver: number): Joint {
  const { source: sourceOhm, loads } = impedances(graph, driver);
  const known = loads.filter((ohm) => ohm !== undefined);
  const unknown = loads.length > 0 && (sourceOhm === undefined || known.length < loads.length);
  if (sourceOhm === undefined || known.length === 0 || unknown) return { loading: undefined, unknown };
  const loadOhm = parallelOhm(known);
  return { loading: { sourceOhm, loadOhm, lossDb: loadingDb(sourceOhm, loadOhm) }, unknown };
}

/** A graph never changes, and every ladder, sum and rule asks for the same joints: each is worked out once. */
const knownJoints = new WeakMap<SignalGraph, Map<number, Joint>>();

function jointOf(graph: SignalGraph, driver: number): Joint {
  let joints = knownJoints.get(graph);
  if (joints === undefined) knownJoints.set(graph, (joints = new Map<number, Joint>()));
  let joint = joints.get(driver);
  if (joint === undefined) joints.set(driver, (joint = jointAt(graph, driver)));
  return joint;
}

/**
 * The loading at an output: its source impedance into all inputs of its net in parallel.
 * Undefined where the lane is copper, drives no input, or an impedance is unknown.
 */
export const loadingOf = (graph: SignalGraph, driver: number): Loading | undefined =>
  jointOf(graph, driver).loading;

/** Whether an output drives an input and an impedance on their net is not known. */
export const loadingUnknown = (graph: SignalGraph, driver: number): boolean => jointOf(graph, driver).unknown;

/**
 * Takes over the joints of a graph before a change.
 * @param stale outputs whose net may have changed; theirs are worked out anew when asked for.
 */
export function inheritJoints(before: SignalGraph, after: SignalGraph, stale: ReadonlySet<number>): void {
  const joints = new Map(knownJoints.get(before) ?? []);
  for (const driver of stale) joints.delete(driver);
  knownJoints.set(after, joints);
}

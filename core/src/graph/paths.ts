import type { Edge, SignalGraph } from './signalGraph';
import type { Direction } from './trace';
import { edgesFrom, edgesInto } from './walk';

/** The most paths listed for one trace; a mult of mults would otherwise never end. */
export const MOST_PATHS = 200;

export interface Paths {
  /** Each path as its edges in signal order. */
  readonly paths: readonly (readonly Edge[])[];
  /** Edges that lead back into the path that reached them: the loops. */
  readonly loops: readonly Edge[];
  /** True where there were more than `MOST_PATHS`. */
  readonly cut: boolean;
}

/**
 * Every path from (or to) a lane up to its ends, depth first. A path that comes back to itself stops
 * before the lane it has already passed.
 */
export function pathsOf(graph: SignalGraph, start: number, direction: Direction): Paths {
  const next = direction === 'from' ? edgesFrom : edgesInto;
  const far = (edge: Edge): number => (direction === 'from' ? edge.to : edge.from);
  const paths: (readonly Edge[])[] = [];
  const loops = new Set<Edge>();
  let cut = false;
  const onPath = new Set([start]);
  const hops: Edge[] = [];

  function visit(lane: number): void {
    if (paths.length >= MOST_PATHS) {
      cut = true;
      return;
    }
    const leaving = next(graph, lane);
    const onward = leaving.filter((edge) => !onPath.has(far(edge)));
    for (const edge of leaving) if (onPath.has(far(edge))) loops.add(edge);
    if (onward.length === 0 && hops.length > 0)
      paths.push(direction === 'from' ? [...hops] : [...hops].reverse());
    for (const edge of onward) {
      onPath.add(far(edge));
      hops.push(edge);
      visit(far(edge));
      hops.pop();
      onPath.delete(far(edge));
    }
  }
  visit(start);
  return { paths, loops: [...loops], cut };
}

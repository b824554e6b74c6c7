import type { Adjacency } from './signalGraph';

/** Groups edges by the lane at one of their ends, in edge order (counting sort). */
export function adjacency(laneCount: number, ends: ArrayLike<number>): Adjacency {
  const start = new Int32Array(laneCount + 1);
  for (let index = 0; index < ends.length; index++) {
    const lane = ends[index] ?? 0;
    start[lane + 1] = (start[lane + 1] ?? 0) + 1;
  }
  for (let lane = 0; lane < laneCount; lane++) start[lane + 1] = (start[lane + 1] ?? 0) + (start[lane] ?? 0);
  const next = start.slice();
  const edge = new Int32Array(ends.length);
  for (let index = 0; index < ends.length; index++) {
    const lane = ends[index] ?? 0;
    const slot = next[lane] ?? 0;
    edge[slot] = index;
    next[lane] = slot + 1;
  }
  return { start, edge };
}

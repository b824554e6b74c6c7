import type { Adjacency, Edge } from './signalGraph';

/** Groups edges by the lane at one of their ends, in edge order (counting sort). */
export function adjacency(laneCount: number, ends: Int32Array): Adjacency {
  const start = new Int32Array(laneCount + 1);
  for (const lane of ends) start[lane + 1] = (start[lane + 1] ?? 0) + 1;
  for (let lane = 0; lane < laneCount; lane++) start[lane + 1] = (start[lane + 1] ?? 0) + (start[lane] ?? 0);
  const next = start.slice();
  const edge = new Int32Array(ends.length);
  ends.forEach((lane, index) => {
    const slot = next[lane] ?? 0;
    edge[slot] = index;
    next[lane] = slot + 1;
  });
  return { start, edge };
}

/** Edges by the lane they leave. */
export function leaving(laneCount: number, edges: readonly Edge[]): Adjacency {
  const ends = new Int32Array(edges.length);
  for (const { index, from } of edges) ends[index] = from;
  return adjacency(laneCount, ends);
}

/** Edges by the lane they reach. */
export function reaching(laneCount: number, edges: readonly Edge[]): Adjacency {
  const ends = new Int32Array(edges.length);
  for (const { index, to } of edges) ends[index] = to;
  return adjacency(laneCount, ends);
}

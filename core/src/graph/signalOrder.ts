import type { SignalGraph } from './signalGraph';

/** Lanes in an order in which a signal reaches them, and the edges that run against it: those that close loops. */
export interface SignalOrder {
  readonly lanes: Int32Array;
  /** By lane its place in that order. */
  readonly position: Int32Array;
  /** Indices of conducting edges that lead back to a lane their signal has passed. */
  readonly loopEdges: ReadonlySet<number>;
}

const UNSEEN = -1;

/**
 * Reverse post-order of a depth-first search over all conducting edges. Every edge that is not part of a
 * loop leads forward in it. O(lanes + edges), without recursion: a chain may be long.
 */
export function signalOrder(graph: SignalGraph): SignalOrder {
  const count = graph.lanes.length;
  const { start, edge: list } = graph.outgoing;
  const position = new Int32Array(count).fill(UNSEEN);
  const next = start.slice(0, count);
  const seen = new Uint8Array(count);
  const lanes = new Int32Array(count);
  const stack: number[] = [];
  let free = count;
  for (let root = 0; root < count; root++) {
    if (seen[root] === 1) continue;
    seen[root] = 1;
    stack.push(root);
    while (stack.length > 0) {
      const lane = stack[stack.length - 1] ?? 0;
      const at = next[lane] ?? 0;
      if (at < (start[lane + 1] ?? 0)) {
        next[lane] = at + 1;
        const edge = graph.edges[list[at] ?? 0];
        if (edge?.closed !== true || seen[edge.to] === 1) continue;
        seen[edge.to] = 1;
        stack.push(edge.to);
      } else {
        stack.pop();
        free -= 1;
        lanes[free] = lane;
        position[lane] = free;
      }
    }
  }
  return { lanes, position, loopEdges: edgesAgainst(graph, position) };
}

function edgesAgainst({ edges }: SignalGraph, position: Int32Array): ReadonlySet<number> {
  const against = new Set<number>();
  for (const { index, from, to, closed } of edges)
    if (closed && (position[to] ?? 0) <= (position[from] ?? 0)) against.add(index);
  return against;
}

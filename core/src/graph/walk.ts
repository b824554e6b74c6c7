import type { Edge, SignalGraph } from './signalGraph';

/** Edges that leave a lane and conduct. */
export function edgesFrom(graph: SignalGraph, lane: number): readonly Edge[] {
  return conducting(
    graph,
    graph.outgoing.start[lane] ?? 0,
    graph.outgoing.start[lane + 1] ?? 0,
    graph.outgoing.edge,
  );
}

/** Edges that arrive at a lane and conduct. */
export function edgesInto(graph: SignalGraph, lane: number): readonly Edge[] {
  return conducting(
    graph,
    graph.incoming.start[lane] ?? 0,
    graph.incoming.start[lane + 1] ?? 0,
    graph.incoming.edge,
  );
}

function conducting(graph: SignalGraph, start: number, end: number, list: Int32Array): readonly Edge[] {
  const found: Edge[] = [];
  for (let i = start; i < end; i++) {
    const edge = graph.edges[list[i] ?? -1];
    if (edge?.closed === true) found.push(edge);
  }
  return found;
}

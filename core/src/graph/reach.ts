import type { SignalGraph } from './signalGraph';

/**
 * Lanes from which (`to`) or to which (`from`) some lanes are reached over conducting edges, themselves
 * included.
 * @param copperOnly follows passive edges alone.
 */
export function reach(
  graph: SignalGraph,
  starts: Iterable<number>,
  direction: 'from' | 'to',
  copperOnly = false,
): Set<number> {
  const { start, edge: list } = direction === 'from' ? graph.outgoing : graph.incoming;
  const reached = new Set(starts);
  for (const lane of reached)
    for (let i = start[lane] ?? 0; i < (start[lane + 1] ?? 0); i++) {
      const edge = graph.edges[list[i] ?? -1];
      if (edge?.closed !== true || (copperOnly && !edge.passive)) continue;
      reached.add(direction === 'from' ? edge.to : edge.from);
    }
  return reached;
}

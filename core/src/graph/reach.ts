import type { Edge, SignalGraph } from './signalGraph';

/**
 * What is followed: every conducting edge, copper alone, all over which a load is felt, all that 48 V runs
 * through, what lies inside the tracks and buses of a host.
 */
const FOLLOWS = {
  all: (): boolean => true,
  copper: ({ passive }: Edge): boolean => passive,
  load: ({ passive, showsLoad }: Edge): boolean => passive || showsLoad === true,
  power: ({ passive, passesPower }: Edge): boolean => passive || passesPower === true,
  tracks: ({ track }: Edge): boolean => track !== undefined,
} as const;

/**
 * Lanes from which (`to`) or to which (`from`) some lanes are reached over conducting edges, themselves
 * included.
 */
export function reach(
  graph: SignalGraph,
  starts: Iterable<number>,
  direction: 'from' | 'to',
  follows: keyof typeof FOLLOWS = 'all',
): Set<number> {
  const { start, edge: list } = direction === 'from' ? graph.outgoing : graph.incoming;
  const isFollowed = FOLLOWS[follows];
  const reached = new Set(starts);
  for (const lane of reached)
    for (let i = start[lane] ?? 0; i < (start[lane + 1] ?? 0); i++) {
      const edge = graph.edges[list[i] ?? -1];
      if (edge?.closed !== true || !isFollowed(edge)) continue;
      reached.add(direction === 'from' ? edge.to : edge.from);
    }
  return reached;
}

import type { SignalGraph } from './signalGraph';

/**
 * Remembers what the graphs of one rig have in common. They share the index of their lanes, so that what
 * depends on lanes and stations alone, and on no knob and no cord, is looked for once.
 */
export function rigMemo<T>(find: (graph: SignalGraph) => T): (graph: SignalGraph) => T {
  const known = new WeakMap<SignalGraph['laneIndex'], { readonly found: T }>();
  return (graph) => {
    const before = known.get(graph.laneIndex);
    if (before !== undefined) return before.found;
    const found = find(graph);
    known.set(graph.laneIndex, { found });
    return found;
  };
}

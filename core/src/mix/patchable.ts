import type { SignalGraph } from '../graph/signalGraph';

/** What of the rig a lane can be joined to by copper. */
export interface Patchable {
  /** Lanes that fixed wiring and normals lead to, whether a plug holds them open just now or not. */
  readonly lanes: ReadonlySet<number>;
  /** A jack on that copper takes a cord. */
  readonly hasJack: boolean;
}

/** Follows fixed copper from a lane, downstream or upstream. Cords are not followed: they can be moved. */
export function patchable(graph: SignalGraph, lane: number, direction: 'from' | 'to'): Patchable {
  const { start, edge: list } = direction === 'from' ? graph.outgoing : graph.incoming;
  const lanes = new Set([lane]);
  for (const at of lanes)
    for (let i = start[at] ?? 0; i < (start[at + 1] ?? 0); i++) {
      const edge = graph.edges[list[i] ?? -1];
      if (edge?.passive !== true || edge.kind === 'cord') continue;
      lanes.add(direction === 'from' ? edge.to : edge.from);
    }
  return { lanes, hasJack: [...lanes].some((each) => graph.lanes[each]?.face === 'front') };
}

/**
 * Whether an output can be brought to an input: 0 where wiring and normals lead there, 1 with a cord; undefined where
 * neither can, since one of them has no jack.
 */
export function cordsBetween(output: Patchable, input: Patchable): 0 | 1 | undefined {
  for (const lane of output.lanes) if (input.lanes.has(lane)) return 0;
  return output.hasJack && input.hasJack ? 1 : undefined;
}

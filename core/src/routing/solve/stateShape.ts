import { SIGNALS } from '../space/buildSpace';
import type { RoutingSpace } from '../space/routingSpace';

/** How the states of a search are numbered: layer by layer, signal by signal, node by node. */
export interface StateShape {
  readonly lanes: number;
  /** The first node that is an entry. */
  readonly hubsEnd: number;
  /** Nodes in all. */
  readonly width: number;
  readonly layerSize: number;
}

export function stateShapeOf({ graph, hubs, entries }: RoutingSpace): StateShape {
  const lanes = graph.lanes.length;
  const hubsEnd = lanes + hubs.length;
  const width = hubsEnd + entries.length;
  return { lanes, hubsEnd, width, layerSize: width * SIGNALS };
}

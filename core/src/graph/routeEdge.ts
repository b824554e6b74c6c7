import type { CordId } from '../rig/ids';
import type { PlacedRoute } from './deviceParts';
import type { Edge } from './signalGraph';

/** An edge inside a device: a route or normal, opened where a plug opens it. */
export function routeEdge(
  { route, from, to, openedBy }: PlacedRoute,
  index: number,
  plugAt: ReadonlyMap<number, CordId>,
  bufferSamples: number,
): Edge {
  return {
    index,
    kind: route.kind === 'normal' ? 'normal' : 'route',
    from,
    to,
    passive: route.kind !== 'active',
    gainDb: route.gainDb,
    inverts: route.inverts ?? false,
    delaySamples: (route.delaySamples ?? 0) + (route.delayBuffers ?? 0) * bufferSamples,
    ...(route.inputNoise !== undefined && { inputNoise: route.inputNoise }),
    ...(route.outputNoise !== undefined && { outputNoise: route.outputNoise }),
    openedBy,
    closed: !openedBy.some((jack) => plugAt.has(jack)),
  };
}

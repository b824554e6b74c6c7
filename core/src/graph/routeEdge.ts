import type { DelayByRate, Route } from '../rig/deviceModel';
import { samplesFromMs } from '../units/duration';
import { rateFactor } from '../units/linkLanes';
import type { PlacedRoute } from './deviceParts';
import type { Edge, EdgeKind } from './signalGraph';

/** What the session and its patch decide about the routes inside devices. */
export interface RouteConditions {
  /** Whether a plug or a wire sits in a lane. */
  readonly isTaken: (lane: number) => boolean;
  readonly bufferSamples: number;
  readonly sampleRateHz: number;
}

const KIND: Readonly<Record<Route['kind'], EdgeKind>> = {
  active: 'route',
  wire: 'route',
  normal: 'normal',
  crosspoint: 'crosspoint',
};

function delayAt(delay: number | DelayByRate, sampleRateHz: number): number {
  if (typeof delay === 'number') return delay;
  return delay[Math.log2(rateFactor(sampleRateHz)) as 0 | 1 | 2];
}

/** An edge inside a device: a route, normal or crosspoint, opened where a plug opens it. */
export function routeEdge(
  { route, from, to, openedBy }: PlacedRoute,
  index: number,
  { isTaken, bufferSamples, sampleRateHz }: RouteConditions,
): Edge {
  const delaySamples =
    delayAt(route.delaySamples ?? 0, sampleRateHz) + samplesFromMs(route.delayMs ?? 0, sampleRateHz);
  return {
    index,
    kind: KIND[route.kind],
    from,
    to,
    passive: route.kind === 'wire' || route.kind === 'normal',
    gainDb: route.gainDb,
    inverts: route.inverts ?? false,
    delaySamples: delaySamples + (route.delayBuffers ?? 0) * bufferSamples,
    ...(route.inputNoise !== undefined && { inputNoise: route.inputNoise }),
    ...(route.outputNoise !== undefined && { outputNoise: route.outputNoise }),
    openedBy,
    closed: !openedBy.some(isTaken),
    ...(route.knobs && { knobs: route.knobs }),
    ...(route.showsLoad === true && { showsLoad: true }),
    ...(route.passesPower === true && { passesPower: true }),
  };
}

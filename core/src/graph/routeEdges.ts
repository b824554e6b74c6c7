import type { DeviceModel, LaneKey, Route } from '../rig/deviceModel';
import type { CordId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { EdgeDraft, LaneLookup } from './compile';

/** The edges inside one device: its routes and normals, opened where a plug opens them. */
export function routeEdges(
  { device, model }: { readonly device: Device; readonly model: DeviceModel },
  { laneIndex }: LaneLookup,
  plugAt: ReadonlyMap<number, CordId>,
  bufferSamples: number,
): readonly EdgeDraft[] {
  const laneOf = (key: LaneKey): number => laneIndex.get(laneIdOf(device.id, key.port, key.lane)) ?? -1;
  return model.routes.map((route: Route): EdgeDraft => {
    const openedBy = route.unlessPlugged?.map(laneOf) ?? [];
    return {
      kind: route.kind === 'normal' ? 'normal' : 'route',
      from: laneOf(route.from),
      to: laneOf(route.to),
      passive: route.kind !== 'active',
      gainDb: route.gainDb,
      inverts: route.inverts ?? false,
      delaySamples: (route.delaySamples ?? 0) + (route.delayBuffers ?? 0) * bufferSamples,
      ...(route.inputNoise !== undefined && { inputNoise: route.inputNoise }),
      ...(route.outputNoise !== undefined && { outputNoise: route.outputNoise }),
      openedBy,
      closed: !openedBy.some((jack) => plugAt.has(jack)),
    };
  });
}

import type { DeviceModel, Port } from '../rig/deviceModel';
import { laneIdOf } from '../rig/ids';
import { laneLabelOf } from '../rig/laneLabel';
import { isAnalogue } from '../rig/medium';
import type { Device } from '../rig/rigSchema';
import type { Lane } from './signalGraph';

/** Greatest digital level: a full-scale sine (AES17). */
const FULL_SCALE_DBFS = 0;

/**
 * The analogue level at which a converter channel reaches full scale, by lane key. It belongs to the
 * route between the two scales, since the reference switch is per channel.
 */
function convertedMaxima(model: DeviceModel): ReadonlyMap<string, number> {
  const medium = new Map(model.ports.map((port) => [port.key, port.medium]));
  const analogue = (port: string): boolean => isAnalogue(medium.get(port) ?? 'any');
  const maxima = new Map<string, number>();
  for (const { from, to, gainDb, kind } of model.routes) {
    if (kind !== 'active' || analogue(from.port) === analogue(to.port)) continue;
    if (analogue(from.port)) maxima.set(`${from.port}/${from.lane}`, FULL_SCALE_DBFS - gainDb);
    else maxima.set(`${to.port}/${to.lane}`, FULL_SCALE_DBFS + gainDb);
  }
  return maxima;
}

function levelData(port: Port, maxDbu: number | undefined): Pick<Lane, 'input' | 'output' | 'microphone'> {
  const max = maxDbu !== undefined && { maxDbu };
  return {
    ...(port.input && { input: { ...port.input, ...max } }),
    ...(port.output && { output: { ...port.output, ...max } }),
    ...(port.microphone && { microphone: port.microphone }),
  };
}

/**
 * The lanes of one device, in port and lane order.
 * @param base index of the first.
 */
export function deviceLanes(device: Device, model: DeviceModel, base: number): readonly Lane[] {
  const maxima = convertedMaxima(model);
  let next = base;
  return model.ports.flatMap((port) =>
    Array.from({ length: port.lanes }, (_, i): Lane => {
      const number = i + 1;
      return {
        index: next++,
        id: laneIdOf(device.id, port.key, number),
        name: laneLabelOf(device.name, port, number),
        device: device.id,
        room: device.room,
        direction: port.direction,
        medium: port.medium,
        connector: port.connector,
        face: port.face,
        ...(port.balanced !== undefined && { balanced: port.balanced }),
        ...(port.link && { link: { kind: port.link, lane: number } }),
        ...levelData(port, maxima.get(`${port.key}/${String(number)}`)),
      };
    }),
  );
}

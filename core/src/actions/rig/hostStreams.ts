import { buildDevice } from '../../rig/buildDevice';
import type { LaneId } from '../../rig/ids';
import { laneIdOf } from '../../rig/ids';
import type { Device, Rig } from '../../rig/rigSchema';
import type { WirePair } from '../../typed/wiring/wirePlan';

const HOST = 'dawHost';

/** The host streams of a device in one direction, in order. */
function streamsOf(device: Device, direction: 'in' | 'out'): readonly LaneId[] {
  const ports = buildDevice(device, {}).ports.filter(
    (port) => port.connector === 'host' && port.direction === direction && port.face === 'rear',
  );
  return ports.flatMap(({ key, lanes }) =>
    Array.from({ length: lanes }, (_, i) => laneIdOf(device.id, key, i + 1)),
  );
}

/** How many streams at the start of a host are in use, so that the next device comes behind them. */
function used(host: Device, wires: readonly WirePair[]): number {
  const taken = new Set(wires.flatMap(({ from, to }) => [from, to]));
  const last = (['in', 'out'] as const).map((direction) =>
    streamsOf(host, direction).reduce((at, lane, i) => (taken.has(lane) ? i : at), -1),
  );
  return Math.max(...last) + 1;
}

/** Joins a device with a host, behind what is joined with it already; nothing where no stream is free. */
function joined(host: Device, device: Device, wires: readonly WirePair[]): readonly WirePair[] {
  const start = used(host, wires);
  const pair = (from: readonly LaneId[], to: readonly LaneId[]): readonly WirePair[] =>
    from.flatMap((lane, i) => (to[i] === undefined ? [] : [{ from: lane, to: to[i] }]));
  return [
    ...pair(streamsOf(device, 'out'), streamsOf(host, 'in').slice(start)),
    ...pair(streamsOf(host, 'out').slice(start), streamsOf(device, 'in')),
  ];
}

const isJoined = (device: Device, wires: readonly WirePair[]): boolean => {
  const lanes = new Set([...streamsOf(device, 'in'), ...streamsOf(device, 'out')]);
  return wires.some(({ from, to }) => lanes.has(from) || lanes.has(to));
};

/**
 * Wires between new devices and the host of their room, stream to stream: a computer and its interface are joined by
 * being there. Nothing is joined where there are several hosts to choose from, or the device is joined already.
 * @param added ids of devices that are new in the rig.
 */
export function hostStreams(rig: Rig, added: ReadonlySet<string>): readonly WirePair[] {
  const wires: WirePair[] = [...rig.hardwires];
  const fresh: WirePair[] = [];
  for (const device of rig.devices) {
    if (device.type === HOST || streamsOf(device, 'out').length === 0 || isJoined(device, wires)) continue;
    const hosts = rig.devices.filter(({ type, room }) => type === HOST && room === device.room);
    const [host] = hosts;
    if (host === undefined || hosts.length > 1 || !(added.has(device.id) || added.has(host.id))) continue;
    const pairs = joined(host, device, wires);
    wires.push(...pairs);
    fresh.push(...pairs);
  }
  return fresh;
}

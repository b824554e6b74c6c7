import { buildDevice } from '../rig/buildDevice';
import type { DeviceModel, LaneKey, Route, Station } from '../rig/deviceModel';
import type { DeviceId } from '../rig/ids';
import { laneIdOf, stationIdOf } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { SettingKey, SettingValue } from '../rig/settings';
import { partsOfSettingKey } from '../rig/settings';
import type { Scene } from '../session/sessionSchema';
import { deviceLanes } from './deviceLanes';
import type { GraphStation, Lane } from './signalGraph';

/** A route between lanes of the graph. */
export interface PlacedRoute {
  readonly route: Route;
  readonly from: number;
  readonly to: number;
  readonly openedBy: readonly number[];
}

/** What one device adds to a graph. */
export interface DeviceParts {
  readonly lanes: readonly Lane[];
  readonly routes: readonly PlacedRoute[];
  readonly stations: readonly GraphStation[];
}

/** The knobs of one device that a scene has turned. */
type TurnedKnobs = Readonly<Record<SettingKey, SettingValue>>;
const UNTURNED: TurnedKnobs = {};

/** The settings of a scene, device by device. */
export function knobsByDevice(scene: Scene): (device: DeviceId) => TurnedKnobs {
  const byDevice = new Map<DeviceId, Record<SettingKey, SettingValue>>();
  for (const [key, value] of Object.entries(scene.settings) as [SettingKey, SettingValue][]) {
    const { deviceId } = partsOfSettingKey(key);
    const knobs = byDevice.get(deviceId) ?? {};
    knobs[key] = value;
    byDevice.set(deviceId, knobs);
  }
  return (device) => byDevice.get(device) ?? UNTURNED;
}

function build(device: Device, model: DeviceModel, base: number): DeviceParts {
  const lanes = deviceLanes(device, model, base);
  const place = new Map(lanes.map(({ id, index }) => [id, index]));
  const at = ({ port, lane }: LaneKey): number => place.get(laneIdOf(device.id, port, lane)) ?? -1;
  return {
    lanes,
    routes: model.routes.map((route) => ({
      route,
      from: at(route.from),
      to: at(route.to),
      openedBy: route.unlessPlugged?.map(at) ?? [],
    })),
    stations: model.stations.map((station: Station): GraphStation => ({
      id: stationIdOf(device.id, station.key),
      name: `${device.name} ${station.name}`.trim(),
      role: station.role,
      device: device.id,
      channel: station.channel,
      settings: station.settings ?? [],
      in: at(station.in),
      out: at(station.out),
    })),
  };
}

interface Built {
  readonly knobs: string;
  readonly base: number;
  readonly parts: DeviceParts;
}

/**
 * Devices are immutable and few of them change from one compilation to the next, so what was built of
 * one is kept as long as the device is, for the knobs and the place it was last built with.
 */
const lastBuilt = new WeakMap<Device, Built>();

/**
 * The parts of a device under the knobs of a scene.
 * @param base index of its first lane in the graph.
 */
export function deviceParts(device: Device, turned: TurnedKnobs, base: number): DeviceParts {
  const knobs = turned === UNTURNED ? '' : JSON.stringify(turned);
  const known = lastBuilt.get(device);
  if (known?.knobs === knobs && known.base === base) return known.parts;
  const parts = build(device, buildDevice(device, turned), base);
  lastBuilt.set(device, { knobs, base, parts });
  return parts;
}

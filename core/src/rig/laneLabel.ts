import type { LaneFace } from './faces';
import type { Port } from './deviceModel';
import type { LaneId } from './ids';

/** A lane's name inside its device: the port's own, or the port's and the number where it has several. */
export function laneNameIn(port: Port, lane: number): string {
  return port.laneNames?.[lane - 1] ?? (port.lanes > 1 ? `${port.name} ${lane}` : port.name);
}

/** "Bay A 12 upper": the name a reader sees, device first. */
export const laneLabelOf = (deviceName: string, port: Port, lane: number): string =>
  `${deviceName} ${laneNameIn(port, lane)}`.trim();

/** The name of a lane that was looked up by its id. */
export const laneLabel = ({ device, port }: LaneFace, id: LaneId): string =>
  laneLabelOf(device.name, port, Number(id.slice(id.lastIndexOf('/') + 1)));

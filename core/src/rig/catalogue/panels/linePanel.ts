import type { Connector } from '../../connector';
import type { DeviceModel, Station } from '../../deviceModel';
import { numbersTo } from '../params';
import { copperPort } from '../portKinds';
import { laneAt, wire } from '../routeKinds';

interface PanelLines {
  /** Jacks that take a signal away from the room. */
  readonly lines: number;
  /** Jacks that bring a signal into the room. */
  readonly returns: number;
  readonly connector: Connector;
}

const station = (line: number): Station => ({
  key: `line-${line}`,
  name: `line ${line}`,
  role: 'room-jack',
  in: laneAt(`jack-${line}`),
  out: laneAt(`rear-${line}`),
  channel: line,
});

/** Numbered jacks on the front, wired through to the rear: what wall panels and tie lines share. */
export function linePanel({ lines, returns, connector }: PanelLines): DeviceModel {
  const away = numbersTo(lines);
  const back = numbersTo(returns);
  return {
    ports: [
      ...away.flatMap((line) => [
        copperPort('in', { key: `jack-${line}`, name: `line ${line}`, connector, face: 'front' }),
        copperPort('out', { key: `rear-${line}`, name: `line ${line} rear`, connector: 'fixed' }),
      ]),
      ...back.flatMap((line) => [
        copperPort('in', { key: `return-rear-${line}`, name: `return ${line} rear`, connector: 'fixed' }),
        copperPort('out', { key: `return-${line}`, name: `return ${line}`, connector, face: 'front' }),
      ]),
    ],
    routes: [
      ...away.map((line) => wire(laneAt(`jack-${line}`), laneAt(`rear-${line}`))),
      ...back.map((line) => wire(laneAt(`return-rear-${line}`), laneAt(`return-${line}`))),
    ],
    stations: away.map(station),
  };
}

import type { Connector } from '../../connector';
import type { DeviceModel, Port, Station } from '../../deviceModel';
import { numbersTo } from '../params';
import { copperPort } from '../portKinds';
import { laneAt, wire } from '../routeKinds';

interface PanelLines {
  /** Jacks that take a signal away from the room. */
  readonly lines: number;
  /** Jacks that bring a signal into the room. */
  readonly returns: number;
  readonly connector: Connector;
  /** Jacks that bring left and right of a cue into the room on one connector: pin 2 and pin 3 of an XLR. */
  readonly cueReturns?: number;
}

const SIDES = ['left', 'right'] as const;

const station = (line: number): Station => ({
  key: `line-${line}`,
  name: `line ${line}`,
  role: 'room-jack',
  in: laneAt(`jack-${line}`),
  out: laneAt(`rear-${line}`),
  channel: line,
});

const cuePorts = (line: number, connector: Connector): readonly Port[] => {
  const lanes = (name: string) => ({ lanes: 2, laneNames: SIDES.map((side) => `${name} ${side}`) });
  const [rear, front] = [`cue return ${line} rear`, `cue return ${line}`];
  return [
    copperPort('in', { key: `cue-rear-${line}`, name: rear, connector: 'fixed', ...lanes(rear) }),
    copperPort('out', { key: `cue-${line}`, name: front, connector, face: 'front', ...lanes(front) }),
  ];
};

/** Numbered jacks on the front, wired through to the rear: what wall panels and tie lines share. */
export function linePanel({ lines, returns, connector, cueReturns = 0 }: PanelLines): DeviceModel {
  const away = numbersTo(lines);
  const back = numbersTo(returns);
  const cues = numbersTo(cueReturns);
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
      ...cues.flatMap((line) => cuePorts(line, connector)),
    ],
    routes: [
      ...away.map((line) => wire(laneAt(`jack-${line}`), laneAt(`rear-${line}`))),
      ...back.map((line) => wire(laneAt(`return-rear-${line}`), laneAt(`return-${line}`))),
      ...cues.flatMap((line) =>
        SIDES.map((_, i) => wire(laneAt(`cue-rear-${line}`, i + 1), laneAt(`cue-${line}`, i + 1))),
      ),
    ],
    stations: away.map(station),
  };
}

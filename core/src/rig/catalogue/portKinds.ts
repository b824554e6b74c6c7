import type { Connector } from '../connector';
import type { InputData, OutputData, Port } from '../deviceModel';
import type { Medium } from '../medium';

/** What all ports have; the rest has a usual value. */
interface PortPlace {
  readonly key: string;
  readonly name: string;
  readonly lanes?: number;
  readonly laneNames?: readonly string[];
  readonly connector?: Connector;
  readonly face?: Port['face'];
}

const placed = ({ lanes = 1, connector = 'xlr', face = 'rear', ...rest }: PortPlace) => ({
  lanes,
  connector,
  face,
  ...rest,
});

/** Plugs with two conductors carry one side of a signal only. */
export const isBalanced = (medium: Medium, connector: Connector): boolean =>
  connector !== 'ts' && medium !== 'instrument' && medium !== 'phones' && medium !== 'speaker';

/** An input with electronics behind it. */
export function analogueIn(medium: Medium, place: PortPlace, input: InputData): Port {
  const port = placed(place);
  return { ...port, direction: 'in', medium, balanced: isBalanced(medium, port.connector), input };
}

/** An output with electronics behind it. */
export function analogueOut(medium: Medium, place: PortPlace, output: OutputData): Port {
  const port = placed(place);
  return { ...port, direction: 'out', medium, balanced: isBalanced(medium, port.connector), output };
}

/** A face of plain copper, which takes on whatever is connected to it. */
export const copperPort = (direction: Port['direction'], place: PortPlace): Port => ({
  ...placed(place),
  direction,
  medium: 'any',
});

/** A digital, clock or timecode connector. */
export const codedPort = (
  direction: Port['direction'],
  place: PortPlace & { readonly connector: Connector; readonly link?: Port['link'] },
  medium: 'digital' | 'clock' | 'timecode' = 'digital',
): Port => ({ ...placed(place), direction, medium });

/** Lanes inside a device that no cable reaches: a console's channel after its fader, a matrix input. */
export const insideLanes = (
  direction: Port['direction'],
  key: string,
  name: string,
  lanes: number,
  medium: Medium = 'line',
  maxDbu?: number,
): Port => ({
  key,
  name,
  direction,
  medium,
  lanes,
  connector: 'fixed',
  face: 'inside',
  ...(maxDbu !== undefined && { output: { maxDbu } }),
});

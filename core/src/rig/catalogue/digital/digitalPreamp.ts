import type { DeviceModel, Port, Station } from '../../deviceModel';
import type { ReadSetting } from '../../settings';
import type { LinkKind } from '../../../units/linkLanes';
import { micInput, PREAMP_KNOBS, preampRoute } from '../outboard/preampStage';
import type { PreampFigures } from '../outboard/preampStage';
import { numbersTo } from '../params';
import { codedPort, insideLanes } from '../portKinds';
import { laneAt } from '../routeKinds';
import type { ConversionFigures } from './conversion';
import { adcRoute } from './conversion';

/** Microphone amplifiers with converters behind them, whose signals leave over one kind of digital link. */
export interface DigitalPreamp {
  readonly channels: number;
  readonly link: LinkKind;
  /** Lanes of one link at single rate. */
  readonly lanesPerLink: number;
  readonly face: Port['face'];
}

const LINK_CONNECTOR = { optical: 'optical', madi: 'bnc', aes3: 'xlr' } as const;

/** Ports of as many links as the channels need. */
export function linkPorts(
  direction: 'in' | 'out',
  link: LinkKind,
  channels: number,
  lanesPerLink: number,
  name: string,
): readonly Port[] {
  return numbersTo(Math.ceil(channels / lanesPerLink)).map((n) =>
    codedPort(direction, {
      key: `${link}-${direction}-${n}`,
      name: `${name} ${n}`,
      lanes: lanesPerLink,
      connector: LINK_CONNECTOR[link],
      link,
    }),
  );
}

/** The lane of a channel that is counted over all links of a kind. */
export const linkLane = (
  direction: 'in' | 'out',
  link: LinkKind,
  channel: number,
  lanesPerLink: number,
): ReturnType<typeof laneAt> =>
  laneAt(`${link}-${direction}-${Math.ceil(channel / lanesPerLink)}`, ((channel - 1) % lanesPerLink) + 1);

const preampStation = (n: number): Station => ({
  key: `channel-${n}`,
  name: String(n),
  role: 'preamp',
  in: laneAt(`mic-${n}`),
  out: laneAt('amplified', n),
  channel: n,
  settings: PREAMP_KNOBS,
});

/** Mic input, amplifier, converter, lane of a link. */
export function digitalPreamp(
  p: PreampFigures & ConversionFigures,
  { channels, link, lanesPerLink, face }: DigitalPreamp,
  read: ReadSetting,
): DeviceModel {
  const numbers = numbersTo(channels);
  const out = (n: number): ReturnType<typeof laneAt> => linkLane('out', link, n, lanesPerLink);
  return {
    ports: [
      ...numbers.map((n) => micInput(p, n, read, face)),
      insideLanes('out', 'amplified', 'amplified', channels),
      ...linkPorts('out', link, channels, lanesPerLink, `${link} out`),
    ],
    routes: numbers.flatMap((n) => [
      preampRoute(p, n, read, laneAt(`mic-${n}`), laneAt('amplified', n)),
      adcRoute(p, n, read, laneAt('amplified', n), out(n)),
    ]),
    stations: numbers.flatMap((n) => [
      preampStation(n),
      {
        key: `adc-${n}`,
        name: `ADC ${n}`,
        role: 'converter' as const,
        in: laneAt('amplified', n),
        out: out(n),
        channel: n,
        settings: ['adcReferenceDbu'],
      },
    ]),
  };
}

import type { DeskParams } from './digitalParams';
import { digitalParams } from './digitalParams';
import type { DeviceModel, Port, Station } from '../../../deviceModel';
import type { ReadSetting } from '../../../settings';
import { deviceType } from '../../deviceType';
import { dacRoute, referenceKnobs } from '../../digital/conversion';
import { crossbarChoosables, crossbarKnob, crossbarRoutes } from '../../digital/crossbar';
import { linkPorts } from '../../digital/digitalPreamp';
import { numbersTo } from '../../params';
import { analogueOut, codedPort, insideLanes } from '../../portKinds';
import { laneAt } from '../../routeKinds';
import { busKnobs, busPorts, busRoutes } from './digitalBuses';
import { centreKnobs, centrePorts, centreRoutes } from './digitalCentre';
import { deskChannelKnobs, deskChannelRoutes } from './digitalChannel';
import { deskInputKnobs, deskInputPorts, deskInputRoutes, deskInputStations } from './digitalInputs';
import { CARD_LANES, deskCrossbars } from './digitalPatch';
import { digitalSheet } from './digitalSheet';
import { returnKnobs, returnPorts, returnRoutes } from './digitalReturns';

/** "channel 17 (layer 2, fader 1)". */
function channelName({ fadersPerLayer, channels }: DeskParams, n: number): string {
  if (channels <= fadersPerLayer) return `channel ${n}`;
  const layer = Math.ceil(n / fadersPerLayer);
  return `channel ${n} (layer ${layer}, fader ${((n - 1) % fadersPerLayer) + 1})`;
}

const inside = (key: string, name: string, lanes: number): readonly Port[] =>
  lanes === 0 ? [] : [insideLanes('out', key, name, lanes, 'digital')];

function ports(p: DeskParams, read: ReadSetting): readonly Port[] {
  const cards = p.cards * CARD_LANES;
  const channels = insideLanes('out', 'channel', 'channel', p.channels, 'digital');
  return [
    ...deskInputPorts(p, read),
    ...numbersTo(p.lineOutputs).map((n) =>
      analogueOut('line', { key: `out-${n}`, name: `line out ${n}` }, { sourceOhm: p.outputOhm }),
    ),
    ...linkPorts('in', 'madi', cards, CARD_LANES, 'card in'),
    ...linkPorts('out', 'madi', cards, CARD_LANES, 'card out'),
    codedPort('in', { key: 'clock-in', name: 'clock in', connector: 'bnc' }, 'clock'),
    codedPort('in', { key: 'timecode-in', name: 'timecode in', connector: 'xlr' }, 'timecode'),
    ...(p.micInputs > 0 ? [insideLanes('out', 'amplified', 'amplified', p.micInputs)] : []),
    ...inside('adc', 'local in', p.micInputs),
    ...inside('dac', 'local out', p.lineOutputs),
    { ...channels, laneNames: numbersTo(p.channels).map((n) => channelName(p, n)) },
    ...inside('processed', 'channel after insert', p.channels),
    ...inside('fader', 'channel after fader', p.channels),
    ...returnPorts(p),
    ...busPorts(p),
    ...centrePorts(p),
  ];
}

const outputStations = (p: DeskParams): readonly Station[] =>
  numbersTo(p.lineOutputs).map((n): Station => ({
    key: `dac-${n}`,
    name: `line out ${n}`,
    role: 'line-output',
    in: laneAt('dac', n),
    out: laneAt(`out-${n}`),
    channel: n,
    settings: ['dacReferenceDbu', 'lineOutSource'],
  }));

export const digitalConsole = deviceType({
  type: 'digitalConsole',
  title: 'Digital console',
  what: 'Channels, buses and effects between physical inputs and outputs; nothing is connected until a scene connects it.',
  params: digitalParams,
  settings: (p) => [
    ...deskInputKnobs(p),
    ...referenceKnobs(p, p.micInputs, p.lineOutputs),
    ...deskCrossbars(p).map(crossbarKnob),
    ...deskChannelKnobs(p),
    ...returnKnobs(p),
    ...busKnobs(p),
    ...centreKnobs(p),
  ],
  choosables: (p) => deskCrossbars(p).flatMap(crossbarChoosables),
  build: (p, read): DeviceModel => ({
    ports: ports(p, read),
    routes: [
      ...deskInputRoutes(p, read),
      ...deskCrossbars(p).flatMap((bar) => crossbarRoutes(bar, read)),
      ...numbersTo(p.channels).flatMap((n) => deskChannelRoutes(p, n, read)),
      ...numbersTo(p.stereoReturns).flatMap((r) => returnRoutes(p, r, read)),
      ...busRoutes(p, read),
      ...centreRoutes(p, read),
      ...numbersTo(p.lineOutputs).map((n) => dacRoute(p, n, read, laneAt('dac', n), laneAt(`out-${n}`))),
    ],
    stations: [...deskInputStations(p), ...outputStations(p)],
  }),
  sheet: digitalSheet,
});

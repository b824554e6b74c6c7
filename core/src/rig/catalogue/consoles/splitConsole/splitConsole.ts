import type { SplitParams } from './splitParams';
import { splitParams } from './splitParams';
import type { DeviceModel, Route, Station } from '../../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../../settings';
import { deviceType } from '../../deviceType';
import { PREAMP_KNOBS, preampKnobs } from '../../outboard/preampStage';
import { numbersTo } from '../../params';
import { laneAt } from '../../routeKinds';
import { centreKnobs, centrePorts, centreRoutes } from './splitCentre';
import { channelChoosables, channelKnobs, channelPorts, channelRoutes } from './splitChannel';
import { splitSheet } from './splitSheet';
import { monitorKnobs, monitorPorts, monitorRoutes } from './splitMonitor';

const settings = (p: SplitParams): readonly SettingSpec[] => [
  ...preampKnobs(p, p.channels),
  ...channelKnobs(p),
  ...monitorKnobs(p),
  ...centreKnobs(p),
];

function routes(p: SplitParams, read: ReadSetting): readonly Route[] {
  return [
    ...numbersTo(p.channels).flatMap((n) => [...channelRoutes(p, n, read), ...monitorRoutes(p, n, read)]),
    ...centreRoutes(p, read),
  ];
}

function stations(p: SplitParams, built: readonly Route[]): readonly Station[] {
  const routed = new Set(built.map(({ from }) => `${from.port}/${from.lane}`));
  const preamps = numbersTo(p.channels)
    // A channel that listens to its line or tape input has its preamp out of the path.
    .filter((n) => routed.has(`mic-${n}/1`))
    .map((n): Station => ({
      key: `channel-${n}`,
      name: String(n),
      role: 'preamp',
      in: laneAt(`mic-${n}`),
      out: laneAt('channel', n),
      channel: n,
      settings: [...PREAMP_KNOBS, 'channelInput'],
    }));
  return preamps;
}

export const splitConsole = deviceType({
  type: 'splitConsole',
  title: 'Analogue split console',
  what: 'Input channels and monitor paths side by side, with inserts, groups, auxes, a mix bus and a centre section.',
  params: splitParams,
  settings,
  choosables: channelChoosables,
  sheet: splitSheet,
  build(p, read): DeviceModel {
    const built = routes(p, read);
    return {
      ports: [...channelPorts(p, read), ...monitorPorts(p), ...centrePorts(p)],
      routes: built,
      stations: stations(p, built),
    };
  },
});

import * as z from 'zod';
import type { Station } from '../../deviceModel';
import { deviceType } from '../deviceType';
import { channelCount, numbersTo } from '../params';
import { codedPort } from '../portKinds';
import { laneAt } from '../routeKinds';
import { adcRoute, conversionParams, dacRoute, referenceKnobs } from './conversion';
import { lineLane, linePorts } from './lineBlocks';

const params = z.strictObject({
  adcs: channelCount(128).default(24),
  dacs: channelCount(128).default(24),
  ...conversionParams,
});

const IN = { direction: 'in', connector: 'db25' } as const;
const OUT = { direction: 'out', connector: 'db25' } as const;

const adcStation = (channel: number): Station => ({
  key: `adc-${channel}`,
  name: `in ${channel}`,
  role: 'converter',
  in: lineLane(IN, channel),
  out: laneAt('host-out', channel),
  channel,
  settings: ['adcReferenceDbu'],
});

const dacStation = (channel: number): Station => ({
  key: `dac-${channel}`,
  name: `out ${channel}`,
  role: 'line-output',
  in: laneAt('host-in', channel),
  out: lineLane(OUT, channel),
  channel,
  settings: ['dacReferenceDbu'],
});

export const converter = deviceType({
  type: 'converter',
  title: 'Converter',
  what: 'Line inputs and outputs to and from the DAW host, one to one; each channel has its own reference level.',
  params,
  settings: (p) => referenceKnobs(p, p.adcs, p.dacs),
  build(p, read) {
    const [adcs, dacs] = [numbersTo(p.adcs), numbersTo(p.dacs)];
    return {
      ports: [
        ...linePorts({ ...IN, channels: p.adcs, ohm: p.inputOhm }),
        ...linePorts({ ...OUT, channels: p.dacs, ohm: p.outputOhm }),
        codedPort('out', { key: 'host-out', name: 'to host', lanes: p.adcs, connector: 'host' }),
        codedPort('in', { key: 'host-in', name: 'from host', lanes: p.dacs, connector: 'host' }),
        codedPort('in', { key: 'clock-in', name: 'clock in', connector: 'bnc' }, 'clock'),
      ],
      routes: [
        ...adcs.map((n) => adcRoute(p, n, read, lineLane(IN, n), laneAt('host-out', n))),
        ...dacs.map((n) => dacRoute(p, n, read, laneAt('host-in', n), lineLane(OUT, n))),
      ],
      stations: [...adcs.map(adcStation), ...dacs.map(dacStation)],
    };
  },
});

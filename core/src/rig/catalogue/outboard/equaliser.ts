import * as z from 'zod';
import { deviceType } from '../deviceType';
import { gainKnob } from '../knobs';
import { channelCount, numbersTo } from '../params';
import { channelPorts, channelRoute, channelStation, lineUnitParams } from './lineUnit';

const params = z.strictObject({ channels: channelCount(16).default(2), ...lineUnitParams });

export const equaliser = deviceType({
  type: 'equaliser',
  title: 'Equaliser',
  what: 'Line-level tone shaping; its net gain on the material is set per scene.',
  params,
  settings: ({ channels }) => [gainKnob('netGainDb', 'Net gain', channels, 0, { min: -20, max: 20 })],
  build: (p, read) => ({
    ports: numbersTo(p.channels).flatMap((channel) => channelPorts(p, channel, p.channels)),
    routes: numbersTo(p.channels).map((channel) =>
      channelRoute(channel, {
        gainDb: Number(read('netGainDb', channel)),
        outputNoiseDbu: p.outputNoiseDbu,
        knobs: ['netGainDb'],
      }),
    ),
    stations: numbersTo(p.channels).map((channel) => channelStation(channel, p.channels, ['netGainDb'])),
  }),
});

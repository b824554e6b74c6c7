import * as z from 'zod';
import type { Port } from '../../deviceModel';
import { deviceType } from '../deviceType';
import { gainKnob } from '../knobs';
import { channelCount, letter, numbersTo } from '../params';
import { analogueIn } from '../portKinds';
import { channelPorts, channelRoute, channelStation, lineUnitParams } from './lineUnit';

const params = z.strictObject({
  channels: channelCount(16).default(1),
  keyInput: z.boolean().default(false),
  ...lineUnitParams,
});
type Params = z.infer<typeof params>;

/** The key is listened to and heard nowhere, so no route leaves it. */
const keyPort = (p: Params, channel: number): Port =>
  analogueIn(
    'line',
    { key: `key-${channel}`, name: p.channels === 1 ? 'key in' : `key in ${letter(channel)}` },
    { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu },
  );

export const dynamics = deviceType({
  type: 'dynamics',
  title: 'Compressor or limiter',
  what: 'Line-level dynamics, with or without a key input; its net gain on the material is set per scene.',
  params,
  settings: ({ channels }) => [gainKnob('netGainDb', 'Net gain', channels, 0, { min: -40, max: 40 })],
  build(p, read) {
    const numbers = numbersTo(p.channels);
    return {
      ports: numbers.flatMap((channel) => [
        ...channelPorts(p, channel, p.channels),
        ...(p.keyInput ? [keyPort(p, channel)] : []),
      ]),
      routes: numbers.map((channel) =>
        channelRoute(channel, {
          gainDb: Number(read('netGainDb', channel)),
          outputNoiseDbu: p.outputNoiseDbu,
          knobs: ['netGainDb'],
        }),
      ),
      stations: numbers.map((channel) => channelStation(channel, p.channels, ['netGainDb'])),
    };
  },
});

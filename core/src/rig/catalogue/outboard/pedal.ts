import * as z from 'zod';
import { deviceType } from '../deviceType';
import { gainKnob } from '../knobs';
import { impedanceOhm, latencyMs, levelDbu, numbersTo } from '../params';
import { channelPorts, channelRoute, channelStation } from './lineUnit';

const params = z.strictObject({
  width: z.enum(['mono', 'stereo']).default('mono'),
  inputOhm: impedanceOhm.default(1_000_000),
  maxInputDbu: levelDbu.default(6),
  outputOhm: impedanceOhm.default(1000),
  maxOutputDbu: levelDbu.default(6),
  outputNoiseDbu: levelDbu.default(-80),
  latencyMs: latencyMs.default(0),
});

export const pedal = deviceType({
  type: 'pedal',
  title: 'Instrument pedal',
  what: 'An effect at instrument level, mono or stereo: line signals reach it through a re-amp box.',
  params,
  settings: ({ width }) => [
    gainKnob('netGainDb', 'Net gain', width === 'mono' ? 1 : 2, 0, { min: -40, max: 40 }),
  ],
  build(p, read) {
    const channels = p.width === 'mono' ? 1 : 2;
    return {
      ports: numbersTo(channels).flatMap((channel) => channelPorts(p, channel, channels, 'instrument')),
      routes: numbersTo(channels).map((channel) =>
        channelRoute(channel, {
          gainDb: Number(read('netGainDb', channel)),
          outputNoiseDbu: p.outputNoiseDbu,
          knobs: ['netGainDb'],
          delayMs: p.latencyMs,
        }),
      ),
      stations: numbersTo(channels).map((channel) => channelStation(channel, channels, ['netGainDb'])),
    };
  },
});

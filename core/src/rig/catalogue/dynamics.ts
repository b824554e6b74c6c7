import * as z from 'zod';
import type { Port } from '../deviceModel';
import { deviceType } from './deviceType';
import { channelCount, impedanceOhm, levelDbu, numbersTo } from './params';

const params = z.strictObject({
  channels: channelCount(16).default(1),
  inputOhm: impedanceOhm.default(10_000),
  maxInputDbu: levelDbu.default(24),
  outputOhm: impedanceOhm.default(100),
  maxOutputDbu: levelDbu.default(24),
  outputNoiseDbu: levelDbu.default(-85),
});
type Params = z.infer<typeof params>;

/** Channels are lettered, as engineers say them: "channel A". */
const letter = (channel: number): string => String.fromCharCode(64 + channel);
const suffix = (channel: number, channels: number): string => (channels === 1 ? '' : ` ${letter(channel)}`);

const ports = (p: Params, channel: number): readonly Port[] => [
  {
    key: `in-${channel}`,
    name: `in${suffix(channel, p.channels)}`,
    direction: 'in',
    medium: 'line',
    lanes: 1,
    connector: 'xlr',
    face: 'rear',
    balanced: true,
    input: { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu },
  },
  {
    key: `out-${channel}`,
    name: `out${suffix(channel, p.channels)}`,
    direction: 'out',
    medium: 'line',
    lanes: 1,
    connector: 'xlr',
    face: 'rear',
    balanced: true,
    output: { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu },
  },
];

export const dynamics = deviceType({
  type: 'dynamics',
  title: 'Compressor or limiter',
  what: 'Line-level dynamics; its net gain on the material is set per scene.',
  params,
  settings: ({ channels }) => [
    {
      setting: 'netGainDb',
      title: 'Net gain',
      unit: 'dB',
      channels,
      initial: 0,
      range: { min: -40, max: 40 },
    },
  ],
  build(p, read) {
    const numbers = numbersTo(p.channels);
    return {
      ports: numbers.flatMap((channel) => ports(p, channel)),
      routes: numbers.map((channel) => ({
        from: { port: `in-${channel}`, lane: 1 },
        to: { port: `out-${channel}`, lane: 1 },
        kind: 'active',
        gainDb: Number(read('netGainDb', channel)),
        outputNoise: p.outputNoiseDbu,
      })),
      stations: numbers.map((channel) => ({
        key: `channel-${letter(channel).toLowerCase()}`,
        name: p.channels === 1 ? '' : letter(channel),
        role: 'processor',
        in: { port: `in-${channel}`, lane: 1 },
        out: { port: `out-${channel}`, lane: 1 },
        channel,
        settings: ['netGainDb'],
      })),
    };
  },
});

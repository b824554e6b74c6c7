import * as z from 'zod';
import type { Port, Route, Station } from '../deviceModel';
import type { ReadSetting, SettingSpec } from '../settings';
import { deviceType } from './deviceType';
import { channelCount, impedanceOhm, levelDbu, numbersTo } from './params';

const params = z.strictObject({
  channels: channelCount(64).default(4),
  minGainDb: z.number().min(-40).max(40).default(10),
  maxGainDb: z.number().min(0).max(90).default(65),
  padDb: z.number().min(0).max(40).default(20),
  phantom: z.boolean().default(true),
  inputOhm: impedanceOhm.default(2400),
  maxInputDbu: levelDbu.default(10),
  outputOhm: impedanceOhm.default(75),
  maxOutputDbu: levelDbu.default(26),
  /** Equivalent input noise, dBu, 20 Hz to 20 kHz, unweighted. */
  einDbu: levelDbu.default(-128),
});
type Params = z.infer<typeof params>;

function settings({ channels, minGainDb, maxGainDb, phantom }: Params): readonly SettingSpec[] {
  const gain: SettingSpec = {
    setting: 'gainDb',
    title: 'Gain',
    unit: 'dB',
    channels,
    initial: Math.min(Math.max(30, minGainDb), maxGainDb),
    range: { min: minGainDb, max: maxGainDb },
  };
  const onOff = (setting: string, title: string): SettingSpec => ({
    setting,
    title,
    unit: '',
    channels,
    initial: false,
  });
  const switches = [onOff('pad', 'Pad'), onOff('invert', 'Polarity')];
  return [gain, ...(phantom ? [onOff('phantom', '48 V')] : []), ...switches];
}

const ports = (params_: Params, channel: number): readonly Port[] => [
  {
    key: `mic-${channel}`,
    name: `mic in ${channel}`,
    direction: 'in',
    medium: 'mic',
    lanes: 1,
    connector: 'xlr',
    face: 'rear',
    balanced: true,
    input: { loadOhm: params_.inputOhm, maxDbu: params_.maxInputDbu },
  },
  {
    key: `out-${channel}`,
    name: `out ${channel}`,
    direction: 'out',
    medium: 'line',
    lanes: 1,
    connector: 'xlr',
    face: 'rear',
    balanced: true,
    output: { sourceOhm: params_.outputOhm, maxDbu: params_.maxOutputDbu },
  },
];

function route({ einDbu, padDb }: Params, channel: number, read: ReadSetting): Route {
  const pad = read('pad', channel) === true ? padDb : 0;
  return {
    from: { port: `mic-${channel}`, lane: 1 },
    to: { port: `out-${channel}`, lane: 1 },
    kind: 'active',
    gainDb: Number(read('gainDb', channel)) - pad,
    inverts: read('invert', channel) === true,
    // A pad stands before the amplifier, so the amplifier's own noise counts for more at the input.
    inputNoise: einDbu + pad,
  };
}

const station = (channel: number): Station => ({
  key: `channel-${channel}`,
  name: String(channel),
  role: 'preamp',
  in: { port: `mic-${channel}`, lane: 1 },
  out: { port: `out-${channel}`, lane: 1 },
  channel,
  settings: ['gainDb', 'phantom', 'pad', 'invert'],
});

export const micPreamp = deviceType({
  type: 'micPreamp',
  title: 'Mic preamp',
  what: 'Lifts mic level to line level, with 48 V, pad and polarity for each channel.',
  params,
  settings,
  build(params_, read) {
    const numbers = numbersTo(params_.channels);
    return {
      ports: numbers.flatMap((channel) => ports(params_, channel)),
      routes: numbers.map((channel) => route(params_, channel, read)),
      stations: numbers.map(station),
    };
  },
});

import * as z from 'zod';
import type { LaneKey, Port, Route, Station } from '../deviceModel';
import type { ReadSetting, SettingSpec } from '../settings';
import { deviceType } from './deviceType';
import { channelCount, impedanceOhm, latencySamples, levelDbu, numbersTo } from './params';

const params = z.strictObject({
  adcs: channelCount(128).default(24),
  dacs: channelCount(128).default(24),
  /** Analogue level of a 0 dBFS sine: the positions of each channel's switch, dBu. */
  referenceDbu: z.array(levelDbu).min(1, 'at least one reference level').default([13, 18, 19, 20, 22, 24]),
  initialReferenceDbu: levelDbu.default(18),
  inputOhm: impedanceOhm.default(20_000),
  outputOhm: impedanceOhm.default(100),
  adcLatencySamples: latencySamples.default(12),
  dacLatencySamples: latencySamples.default(10),
  /** Noise floors on the converter's own scale, dBFS. */
  adcNoiseDbfs: z.number().min(-200).max(0).default(-118),
  dacNoiseDbfs: z.number().min(-200).max(0).default(-118),
});
type Params = z.infer<typeof params>;

/** A DB-25 carries eight balanced lines (AES59). */
const PER_CONNECTOR = 8;
const blocks = (channels: number): readonly number[] => numbersTo(Math.ceil(channels / PER_CONNECTOR));
const lanesIn = (block: number, channels: number): number =>
  Math.min(PER_CONNECTOR, channels - (block - 1) * PER_CONNECTOR);
const analogueKey = (prefix: string, channel: number): LaneKey => ({
  port: `${prefix}-${Math.ceil(channel / PER_CONNECTOR)}`,
  lane: ((channel - 1) % PER_CONNECTOR) + 1,
});

function settings({ adcs, dacs, referenceDbu, initialReferenceDbu }: Params): readonly SettingSpec[] {
  const range = { min: Math.min(...referenceDbu), max: Math.max(...referenceDbu), positions: referenceDbu };
  const spec = (setting: string, title: string, channels: number): SettingSpec => ({
    setting,
    title,
    unit: 'dBu',
    channels,
    initial: initialReferenceDbu,
    range,
  });
  return [
    spec('adcReferenceDbu', 'Input reference', adcs),
    spec('dacReferenceDbu', 'Output reference', dacs),
  ];
}

function analoguePort(direction: 'in' | 'out', block: number, p: Params): Port {
  const channels = direction === 'in' ? p.adcs : p.dacs;
  const first = (block - 1) * PER_CONNECTOR + 1;
  const lanes = lanesIn(block, channels);
  return {
    key: `line-${direction}-${block}`,
    name: `line ${direction} ${first}–${first + lanes - 1}`,
    laneNames: numbersTo(lanes).map((lane) => `line ${direction} ${first + lane - 1}`),
    direction,
    medium: 'line',
    lanes,
    connector: 'db25',
    face: 'rear',
    balanced: true,
    ...(direction === 'in' ? { input: { loadOhm: p.inputOhm } } : { output: { sourceOhm: p.outputOhm } }),
  };
}

const hostPort = (direction: 'in' | 'out', lanes: number): Port => ({
  key: direction === 'out' ? 'host-out' : 'host-in',
  name: direction === 'out' ? 'to host' : 'from host',
  direction,
  medium: 'digital',
  lanes,
  connector: 'host',
  face: 'rear',
});

const adcRoute = (p: Params, channel: number, read: ReadSetting): Route => ({
  from: analogueKey('line-in', channel),
  to: { port: 'host-out', lane: channel },
  kind: 'active',
  gainDb: -Number(read('adcReferenceDbu', channel)),
  delaySamples: p.adcLatencySamples,
  outputNoise: p.adcNoiseDbfs,
});

const dacRoute = (p: Params, channel: number, read: ReadSetting): Route => {
  const referenceDbu = Number(read('dacReferenceDbu', channel));
  return {
    from: { port: 'host-in', lane: channel },
    to: analogueKey('line-out', channel),
    kind: 'active',
    gainDb: referenceDbu,
    delaySamples: p.dacLatencySamples,
    outputNoise: p.dacNoiseDbfs + referenceDbu,
  };
};

const adcStation = (channel: number): Station => ({
  key: `adc-${channel}`,
  name: `in ${channel}`,
  role: 'converter',
  in: analogueKey('line-in', channel),
  out: { port: 'host-out', lane: channel },
  channel,
  settings: ['adcReferenceDbu'],
});

export const converter = deviceType({
  type: 'converter',
  title: 'Converter',
  what: 'Line inputs and outputs to and from the DAW host; each channel has its own reference level.',
  params,
  settings,
  build(p, read) {
    return {
      ports: [
        ...blocks(p.adcs).map((block) => analoguePort('in', block, p)),
        ...blocks(p.dacs).map((block) => analoguePort('out', block, p)),
        hostPort('out', p.adcs),
        hostPort('in', p.dacs),
      ],
      routes: [
        ...numbersTo(p.adcs).map((channel) => adcRoute(p, channel, read)),
        ...numbersTo(p.dacs).map((channel) => dacRoute(p, channel, read)),
      ],
      stations: numbersTo(p.adcs).map(adcStation),
    };
  },
});

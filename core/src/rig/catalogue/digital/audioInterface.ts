import * as z from 'zod';
import type { DeviceModel, LaneKey, Port } from '../../deviceModel';
import type { LinkKind } from '../../../units/linkLanes';
import { LINK_KINDS } from '../../../units/linkLanes';
import { deviceType } from '../deviceType';
import { channelCount, countTo, numbersTo } from '../params';
import { codedPort, insideLanes } from '../portKinds';
import { laneAt } from '../routeKinds';
import { adcRoute, conversionParams, dacRoute, referenceKnobs } from './conversion';
import type { Crossbar, Tap } from './crossbar';
import { crossbarChoosables, crossbarKnob, crossbarRoutes } from './crossbar';
import { linkLane, linkPorts } from './digitalPreamp';
import { interfaceSheet } from './interfaceSheet';
import { interfaceMicKnobs, interfaceMicParams, interfaceMics } from './interfaceMics';
import { lineLane, linePorts } from './lineBlocks';
import type { MonitorMix } from './monitorMix';
import { mixKnobs, mixLane, mixRoutes } from './monitorMix';

const params = z.strictObject({
  ...interfaceMicParams,
  lineInputs: countTo(64).default(8),
  lineOutputs: countTo(64).default(8),
  connector: z.enum(['trs', 'xlr', 'db25']).default('trs'),
  opticalLinks: countTo(4).default(1),
  madiLinks: countTo(4).default(0),
  aes3Links: countTo(16).default(0),
  hostStreams: channelCount(256).default(24),
  monitorMixes: countTo(12).default(2),
  /** The host stream that line output 1 plays until a scene says otherwise. */
  firstHostForLineOutputs: channelCount(256).default(1),
  ...conversionParams,
});
type Params = z.infer<typeof params>;

const PER_LINK = { optical: 8, madi: 64, aes3: 2 } as const satisfies Record<LinkKind, number>;
const linksOf = (p: Params): Record<LinkKind, number> => ({
  optical: p.opticalLinks,
  madi: p.madiLinks,
  aes3: p.aes3Links,
});

const lines = (p: Params, direction: 'in' | 'out') => ({
  direction,
  connector: p.connector,
  channels: direction === 'in' ? p.lineInputs : p.lineOutputs,
  ohm: direction === 'in' ? p.inputOhm : p.outputOhm,
});

/** Every lane of the digital links in one direction. */
function linkTaps(p: Params, direction: 'in' | 'out'): readonly Tap[] {
  return LINK_KINDS.flatMap((kind) =>
    numbersTo(linksOf(p)[kind] * PER_LINK[kind]).map((n) => ({
      name: `${kind} ${direction} ${n}`,
      lane: linkLane(direction, kind, n, PER_LINK[kind]),
    })),
  );
}

const taps = (name: string, count: number, lane: (n: number) => LaneKey): readonly Tap[] =>
  numbersTo(count).map((n) => ({ name: `${name} ${n}`, lane: lane(n) }));

/** What the mixes can take in: everything that comes into the interface. */
const inputsOf = (p: Params): readonly Tap[] => [
  ...taps('host', p.hostStreams, (n) => laneAt('host-in', n)),
  ...taps('line in', p.lineInputs, (n) => laneAt('adc', n)),
  ...linkTaps(p, 'in'),
  ...taps('mic in', p.micInputs, (n) => laneAt('mic-adc', n)),
];

/** Mic inputs first, then line inputs, then the digital ones, as long as there are streams. */
function streamOf(p: Params, n: number): number {
  const { hostStreams, micInputs } = p;
  const all = inputsOf(p).length;
  const first = all - micInputs;
  if (n <= micInputs) return first + n;
  const next = hostStreams + n - micInputs;
  return next <= first ? next : 0;
}

const mixTaps = (p: Params): readonly Tap[] =>
  numbersTo(p.monitorMixes).flatMap((n) => [
    { name: `mix ${n} left`, lane: mixLane(n, 1) },
    { name: `mix ${n} right`, lane: mixLane(n, 2) },
  ]);

const mixesOf = (p: Params): readonly MonitorMix[] =>
  numbersTo(p.monitorMixes).map((number) => ({ number, sources: inputsOf(p) }));

/** The three matrices: what each line output, link lane and host input listens to. */
function crossbars(p: Params): readonly Crossbar[] {
  const inputs = inputsOf(p);
  const sources = [...inputs, ...mixTaps(p)];
  const bar = (
    setting: string,
    title: string,
    destinations: readonly Tap[],
    initial: (n: number) => number,
  ): Crossbar => ({
    setting,
    title,
    sources,
    destinations,
    block: 1,
    initial,
  });
  const all = [
    bar(
      'lineOutSource',
      'Line output plays',
      taps('line out', p.lineOutputs, (n) => laneAt('dac', n)),
      (n) => (n + p.firstHostForLineOutputs - 1 <= p.hostStreams ? n + p.firstHostForLineOutputs - 1 : 0),
    ),
    bar('linkOutSource', 'Link lane carries', linkTaps(p, 'out'), () => 0),
    bar(
      'hostInSource',
      'To host',
      taps('to host', p.hostStreams, (n) => laneAt('host-out', n)),
      (n) => streamOf(p, n),
    ),
  ];
  return all.filter(({ destinations }) => destinations.length > 0);
}

function ports(p: Params): readonly Port[] {
  return [
    ...linePorts(lines(p, 'in')),
    ...linePorts(lines(p, 'out')),
    ...LINK_KINDS.flatMap((kind) =>
      (['in', 'out'] as const).flatMap((direction) =>
        linkPorts(direction, kind, linksOf(p)[kind] * PER_LINK[kind], PER_LINK[kind], `${kind} ${direction}`),
      ),
    ),
    codedPort('out', { key: 'host-out', name: 'to host', lanes: p.hostStreams, connector: 'host' }),
    codedPort('in', { key: 'host-in', name: 'from host', lanes: p.hostStreams, connector: 'host' }),
    codedPort('in', { key: 'clock-in', name: 'clock in', connector: 'bnc' }, 'clock'),
    codedPort('out', { key: 'clock-out', name: 'clock out', connector: 'bnc' }, 'clock'),
    ...(p.lineInputs > 0 ? [insideLanes('out', 'adc', 'converted in', p.lineInputs, 'digital')] : []),
    ...(p.lineOutputs > 0 ? [insideLanes('in', 'dac', 'converted out', p.lineOutputs, 'digital')] : []),
    ...(p.monitorMixes > 0 ? [insideLanes('out', 'mix', 'mix', p.monitorMixes * 2, 'digital')] : []),
  ];
}

function stations(p: Params): DeviceModel['stations'] {
  return [
    ...numbersTo(p.lineInputs).map((n) => ({
      key: `adc-${n}`,
      name: `in ${n}`,
      role: 'converter' as const,
      in: lineLane(lines(p, 'in'), n),
      out: laneAt('adc', n),
      channel: n,
      settings: ['adcReferenceDbu'],
    })),
    ...numbersTo(p.lineOutputs).map((n) => ({
      key: `dac-${n}`,
      name: `out ${n}`,
      role: 'line-output' as const,
      in: laneAt('dac', n),
      out: lineLane(lines(p, 'out'), n),
      channel: n,
      settings: ['dacReferenceDbu', 'lineOutSource'],
    })),
  ];
}

const sheetParts = (p: Params) => ({
  ...p,
  inputs: inputsOf(p),
  crossbars: crossbars(p),
  lineOut: (n: number) => lineLane(lines(p, 'out'), n),
});

export const audioInterface = deviceType({
  type: 'audioInterface',
  title: 'Audio interface with matrix',
  what: 'Mic, line and digital inputs and outputs and host streams, joined by a routing matrix and monitor mixes of its own.',
  params,
  settings: (p) => [
    ...interfaceMicKnobs(p),
    ...referenceKnobs(p, p.lineInputs, p.lineOutputs),
    ...crossbars(p).map(crossbarKnob),
    ...mixesOf(p).flatMap(mixKnobs),
  ],
  choosables: (p) => crossbars(p).flatMap(crossbarChoosables),
  build: (p, read) => ({
    ports: [...interfaceMics(p, read).ports, ...ports(p)],
    routes: [
      ...interfaceMics(p, read).routes,
      ...numbersTo(p.lineInputs).map((n) =>
        adcRoute(p, n, read, lineLane(lines(p, 'in'), n), laneAt('adc', n)),
      ),
      ...numbersTo(p.lineOutputs).map((n) =>
        dacRoute(p, n, read, laneAt('dac', n), lineLane(lines(p, 'out'), n)),
      ),
      ...crossbars(p).flatMap((bar) => crossbarRoutes(bar, read)),
      ...mixesOf(p).flatMap((mix) => mixRoutes(mix, read)),
    ],
    stations: [...interfaceMics(p, read).stations, ...stations(p)],
  }),
  sheet: (p) => interfaceSheet(sheetParts(p)),
});

import * as z from 'zod';
import type { Port, Route, Station } from '../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../settings';
import { knob } from '../../sheets/cells';
import type { ChannelSheet } from '../../sheets/channelSheet';
import { channelSheet, section } from '../../sheets/channelSheet';
import { deviceType } from '../deviceType';
import { gainKnob, onOff, positions } from '../knobs';
import { channelCount, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut, insideLanes } from '../portKinds';
import { active, crosspoint, knobsAt, laneAt } from '../routeKinds';
import { insertRoutes } from './insertPoint';

const params = z.strictObject({
  inputs: channelCount(64).default(16),
  /** Positions of the gain switch of every input, dB. */
  gainStepsDb: z.array(z.number().min(-30).max(30)).min(1).max(64).default([-6, -3, 0, 3, 6]),
  boostDb: z.number().min(0).max(20).default(6),
  inputOhm: impedanceOhm.default(20_000),
  maxInputDbu: levelDbu.default(28),
  outputOhm: impedanceOhm.default(75),
  maxOutputDbu: levelDbu.default(28),
  stageNoiseDbu: levelDbu.default(-94),
});
type Params = z.infer<typeof params>;

const SIDES = ['left', 'right'] as const;
const BUS = [laneAt('bus', 1), laneAt('bus', 2)] as const;
const KNOBS = ['inputGainDb', 'boost', 'mono'] as const;

function settings({ inputs, gainStepsDb }: Params): readonly SettingSpec[] {
  const initial = gainStepsDb.includes(0) ? 0 : (gainStepsDb[0] ?? 0);
  return [
    positions('inputGainDb', 'Input gain', 'dB', inputs, initial, gainStepsDb),
    onOff('boost', 'Boost', inputs),
    onOff('mono', 'Mono: both sides', inputs),
    gainKnob('outputGainDb', 'Output gain', 1, 0, { min: -20, max: 10 }),
  ];
}

function ports(p: Params): readonly Port[] {
  const input = { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu };
  const output = { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu };
  const pair = (direction: 'in' | 'out', key: string, name: string): readonly Port[] =>
    SIDES.map((side) => {
      const place = { key: `${key}-${side}`, name: `${name} ${side}` };
      return direction === 'in' ? analogueIn('line', place, input) : analogueOut('line', place, output);
    });
  return [
    ...numbersTo(p.inputs).map((n) => analogueIn('line', { key: `in-${n}`, name: `in ${n}` }, input)),
    insideLanes('out', 'bus', 'bus', 2, 'line', p.maxOutputDbu),
    insideLanes('out', 'inserted', 'bus after insert', 2, 'line', p.maxOutputDbu),
    ...pair('out', 'send', 'insert send'),
    ...pair('in', 'return', 'insert return'),
    ...pair('out', 'out', 'out'),
    ...pair('in', 'link-in', 'expansion in'),
    ...pair('out', 'link-out', 'expansion out'),
  ];
}

/** Odd inputs stand left and even ones right; a mono one goes to both sides at equal level. */
function inputRoutes(p: Params, n: number, read: ReadSetting): readonly Route[] {
  const gainDb = Number(read('inputGainDb', n)) + (read('boost', n) === true ? p.boostDb : 0);
  const sides = read('mono', n) === true ? BUS : [BUS[(n - 1) % 2] ?? BUS[0]];
  return sides.map((to) => crosspoint(laneAt(`in-${n}`), to, gainDb, { knobs: knobsAt(n, ...KNOBS) }));
}

function outputRoutes(p: Params, i: number, read: ReadSetting): readonly Route[] {
  const side = SIDES[i] ?? 'left';
  const [bus, inserted] = [laneAt('bus', i + 1), laneAt('inserted', i + 1)];
  return [
    active(laneAt(`link-in-${side}`), bus, 0),
    ...insertRoutes({
      before: bus,
      send: laneAt(`send-${side}`),
      back: laneAt(`return-${side}`),
      after: inserted,
      switchedIn: true,
    }),
    active(inserted, laneAt(`out-${side}`), Number(read('outputGainDb', 1)), {
      outputNoise: p.stageNoiseDbu,
      knobs: knobsAt(1, 'outputGainDb'),
    }),
    active(bus, laneAt(`link-out-${side}`), 0, { outputNoise: p.stageNoiseDbu }),
  ];
}

const stations = (p: Params, read: ReadSetting): readonly Station[] =>
  numbersTo(p.inputs).map((n) => ({
    key: `in-${n}`,
    name: `in ${n}`,
    role: 'sum',
    in: laneAt(`in-${n}`),
    out: read('mono', n) === true ? BUS[0] : (BUS[(n - 1) % 2] ?? BUS[0]),
    channel: n,
    settings: KNOBS,
  }));

const summingSheet = ({ inputs }: Params): ChannelSheet =>
  channelSheet([
    section(
      'inputs',
      'Inputs',
      numbersTo(inputs).map((n) => ({
        ...{ id: `in-${n}`, name: `in ${n}`, lane: laneAt(`in-${n}`) },
        cells: { gain: knob('inputGainDb', n), boost: knob('boost', n), mono: knob('mono', n) },
      })),
    ),
    section('bus', 'Bus', [
      {
        ...{ id: 'bus', name: 'bus', lane: BUS[0], leaves: [laneAt('out-left'), laneAt('out-right')] },
        insert: { send: laneAt('send-left'), back: laneAt('return-left') },
        insertRight: { send: laneAt('send-right'), back: laneAt('return-right') },
        cells: { fader: knob('outputGainDb') },
      },
    ]),
  ]);

export const summingMixer = deviceType({
  type: 'summingMixer',
  title: 'Summing mixer, active',
  what: 'Adds line inputs to a stereo bus; an expansion link hands the bus on to a further unit.',
  params,
  settings,
  build: (p, read) => ({
    ports: ports(p),
    routes: [
      ...numbersTo(p.inputs).flatMap((n) => inputRoutes(p, n, read)),
      ...SIDES.flatMap((_, i) => outputRoutes(p, i, read)),
    ],
    stations: stations(p, read),
  }),
  sheet: summingSheet,
});

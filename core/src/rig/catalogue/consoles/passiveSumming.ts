import * as z from 'zod';
import type { LaneKey, Port, Route } from '../../deviceModel';
import { loadingDb } from '../../../units/loading';
import type { PassiveBus } from '../../../units/passiveBus';
import { passiveBus } from '../../../units/passiveBus';
import { thermalNoiseDbu } from '../../../units/thermalNoise';
import type { ReadSetting } from '../../settings';
import { deviceType } from '../deviceType';
import { gainKnob } from '../knobs';
import { channelCount, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut, insideLanes } from '../portKinds';
import { active, knobsAt, laneAt } from '../routeKinds';

const params = z.strictObject({
  /** Inputs of each bus: resistors that meet in one point. */
  inputsPerBus: channelCount(64).default(8),
  stereo: z.boolean().default(true),
  resistorOhm: impedanceOhm.default(10_000),
  /** Output impedance of what feeds it: an input with nothing in it is shorted by the same. */
  feedOhm: impedanceOhm.default(50),
  /** An amplifier of its own that makes up the loss. Without one the output wants a mic preamp. */
  makeUp: z.boolean().default(false),
  makeUpInputOhm: impedanceOhm.default(10_000),
  /** Of the amplifier itself, at its input. */
  makeUpNoiseDbu: levelDbu.default(-128),
  outputOhm: impedanceOhm.default(75),
  maxOutputDbu: levelDbu.default(26),
});
type Params = z.infer<typeof params>;

const SIDES = ['left', 'right'] as const;
const sidesOf = (p: Params): readonly (typeof SIDES)[number][] => (p.stereo ? SIDES : ['left']);
const inputsOf = (p: Params): readonly number[] => numbersTo(p.inputsPerBus * sidesOf(p).length);

/** Odd inputs meet on the left bus, even ones on the right. */
const sideOf = (p: Params, n: number): (typeof SIDES)[number] => (p.stereo && n % 2 === 0 ? 'right' : 'left');

function ports(p: Params): readonly Port[] {
  const bus = passiveBus(p.inputsPerBus, p.resistorOhm, p.feedOhm);
  return [
    ...inputsOf(p).map((n) =>
      analogueIn('line', { key: `in-${n}`, name: `in ${n}` }, { loadOhm: bus.inputOhm }),
    ),
    {
      ...insideLanes('out', 'bus', 'bus', sidesOf(p).length),
      ...(p.stereo && { laneNames: SIDES.map((side) => `bus ${side}`) }),
    },
    ...sidesOf(p).map((side) => {
      const place = { key: `out-${side}`, name: p.stereo ? `out ${side}` : 'out' };
      return p.makeUp
        ? analogueOut('line', place, { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu })
        : analogueOut('mic', place, { sourceOhm: bus.outputOhm });
    }),
  ];
}

const busLane = (p: Params, side: (typeof SIDES)[number]): LaneKey =>
  laneAt('bus', sidesOf(p).indexOf(side) + 1);

/** From the point where the resistors meet to the connector: what is made there is made once for all inputs. */
function outRoute(p: Params, side: (typeof SIDES)[number], bus: PassiveBus, read: ReadSetting): Route {
  const [from, to] = [busLane(p, side), laneAt(`out-${side}`)];
  const resistorsDbu = thermalNoiseDbu(bus.outputOhm);
  if (!p.makeUp) return active(from, to, 0, { outputNoise: resistorsDbu });
  const loadedDb = loadingDb(bus.outputOhm, p.makeUpInputOhm);
  const makeUpDb = Number(read('makeUpDb', 1));
  return active(from, to, loadedDb + makeUpDb, {
    inputNoise: resistorsDbu,
    outputNoise: p.makeUpNoiseDbu + makeUpDb,
    knobs: knobsAt(1, 'makeUpDb'),
  });
}

function routes(p: Params, read: ReadSetting): readonly Route[] {
  const bus = passiveBus(p.inputsPerBus, p.resistorOhm, p.feedOhm);
  return [
    ...inputsOf(p).map((n) => active(laneAt(`in-${n}`), busLane(p, sideOf(p, n)), bus.gainDb)),
    ...sidesOf(p).map((side) => outRoute(p, side, bus, read)),
  ];
}

export const passiveSumming = deviceType({
  type: 'passiveSumming',
  title: 'Summing mixer, passive',
  what: 'Resistors that meet in one point: what is lost there is made up by an amplifier of its own or by a mic preamp.',
  params,
  settings: ({ makeUp, inputsPerBus }) =>
    makeUp
      ? [
          gainKnob('makeUpDb', 'Make-up gain', 1, Math.round(20 * Math.log10(inputsPerBus)), {
            min: 0,
            max: 60,
          }),
        ]
      : [],
  build: (p, read) => ({
    ports: ports(p),
    routes: routes(p, read),
    stations: inputsOf(p).map((n) => ({
      key: `in-${n}`,
      name: `in ${n}`,
      role: 'sum',
      in: laneAt(`in-${n}`),
      out: busLane(p, sideOf(p, n)),
      channel: 1,
      settings: p.makeUp ? ['makeUpDb'] : [],
    })),
  }),
});

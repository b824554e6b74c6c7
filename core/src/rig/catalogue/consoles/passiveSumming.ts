import * as z from 'zod';
import type { Port, Route } from '../../deviceModel';
import { passiveBus } from '../../../units/passiveBus';
import type { ReadSetting } from '../../settings';
import { deviceType } from '../deviceType';
import { gainKnob } from '../knobs';
import { channelCount, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut } from '../portKinds';
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
    ...sidesOf(p).map((side) => {
      const place = { key: `out-${side}`, name: p.stereo ? `out ${side}` : 'out' };
      return p.makeUp
        ? analogueOut('line', place, { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu })
        : analogueOut('mic', place, { sourceOhm: bus.outputOhm });
    }),
  ];
}

function route(p: Params, n: number, read: ReadSetting): Route {
  const bus = passiveBus(p.inputsPerBus, p.resistorOhm, p.feedOhm);
  const to = laneAt(`out-${sideOf(p, n)}`);
  if (!p.makeUp) return active(laneAt(`in-${n}`), to, bus.gainDb);
  const loaded = 20 * Math.log10(p.makeUpInputOhm / (p.makeUpInputOhm + bus.outputOhm));
  const makeUpDb = Number(read('makeUpDb', 1));
  return active(laneAt(`in-${n}`), to, bus.gainDb + loaded + makeUpDb, {
    outputNoise: p.makeUpNoiseDbu + makeUpDb,
    knobs: knobsAt(1, 'makeUpDb'),
  });
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
    routes: inputsOf(p).map((n) => route(p, n, read)),
    stations: inputsOf(p).map((n) => ({
      key: `in-${n}`,
      name: `in ${n}`,
      role: 'sum',
      in: laneAt(`in-${n}`),
      out: laneAt(`out-${sideOf(p, n)}`),
      channel: 1,
      settings: p.makeUp ? ['makeUpDb'] : [],
    })),
  }),
});

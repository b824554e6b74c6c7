import * as z from 'zod';
import { knob } from '../../sheets/cells';
import { channelSheet, section } from '../../sheets/channelSheet';
import { deviceType } from '../deviceType';
import { gainKnob } from '../knobs';
import { channelCount, gainDb, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut } from '../portKinds';
import { active, knobsAt, laneAt } from '../routeKinds';

const params = z.strictObject({
  /** Stereo headphone outputs, all fed from the one stereo input. */
  outputs: channelCount(16).default(4),
  gainDb: gainDb.default(10),
  inputOhm: impedanceOhm.default(10_000),
  maxInputDbu: levelDbu.default(24),
  outputOhm: impedanceOhm.default(10),
  /** The least load an output is made for; left out, 16 Ω. Common practice, no source. */
  leastLoadOhm: impedanceOhm.optional().meta({ typical: 16 }),
  maxOutputDbu: levelDbu.default(18),
  outputNoiseDbu: levelDbu.default(-85),
});

const SIDES = ['left', 'right'] as const;

export const cueAmp = deviceType({
  type: 'cueAmp',
  title: 'Cue amplifier',
  what: 'Drives several headphones from one stereo cue. Turn it down before anybody puts headphones on.',
  params,
  settings: ({ outputs }) => [gainKnob('levelDb', 'Level', outputs, -20, { min: -80, max: 0 })],
  build: (p, read) => ({
    ports: [
      ...SIDES.map((side) =>
        analogueIn(
          'line',
          { key: `in-${side}`, name: `in ${side}` },
          { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu },
        ),
      ),
      ...numbersTo(p.outputs).map((n) =>
        analogueOut(
          'phones',
          {
            key: `phones-${n}`,
            name: `phones ${n}`,
            lanes: 2,
            laneNames: SIDES.map((side) => `phones ${n} ${side}`),
            connector: 'trs',
            face: 'front',
          },
          { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu, leastLoadOhm: p.leastLoadOhm ?? 16 },
        ),
      ),
    ],
    routes: numbersTo(p.outputs).flatMap((n) =>
      SIDES.map((side, i) =>
        active(laneAt(`in-${side}`), laneAt(`phones-${n}`, i + 1), p.gainDb + Number(read('levelDb', n)), {
          outputNoise: p.outputNoiseDbu,
          knobs: knobsAt(n, 'levelDb'),
        }),
      ),
    ),
    stations: [],
  }),
  sheet: ({ outputs }) =>
    channelSheet([
      section(
        'outputs',
        'Headphone outputs',
        numbersTo(outputs).map((n) => ({
          ...{ id: `phones-${n}`, name: `phones ${n}`, lane: laneAt(`phones-${n}`) },
          leaves: [laneAt(`phones-${n}`)],
          cells: { fader: knob('levelDb', n) },
        })),
      ),
    ]),
});

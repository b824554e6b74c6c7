import * as z from 'zod';
import type { Route } from '../../deviceModel';
import type { ReadSetting } from '../../settings';
import { deviceType } from '../deviceType';
import { gainKnob, onOff } from '../knobs';
import { channelCount, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut } from '../portKinds';
import { active, knobsAt, laneAt } from '../routeKinds';

const params = z.strictObject({
  channels: channelCount(8).default(1),
  inputOhm: impedanceOhm.default(10_000),
  maxInputDbu: levelDbu.default(24),
  outputOhm: impedanceOhm.default(10_000),
  maxOutputDbu: levelDbu.default(4),
  outputNoiseDbu: levelDbu.default(-100),
});
type Params = z.infer<typeof params>;

const KNOBS = ['levelDb', 'invert'] as const;

function routes(p: Params, n: number, read: ReadSetting): readonly Route[] {
  const gainDb = Number(read('levelDb', n));
  const more = { outputNoise: p.outputNoiseDbu, knobs: knobsAt(n, ...KNOBS) };
  return [
    active(laneAt(`in-${n}`), laneAt(`direct-${n}`), gainDb, { ...more, knobs: knobsAt(n, 'levelDb') }),
    active(laneAt(`in-${n}`), laneAt(`isolated-${n}`), gainDb, {
      ...more,
      inverts: read('invert', n) === true,
    }),
  ];
}

/** The isolated output goes through a transformer, which parts the earths and can swap the polarity. */
export const reampBox = deviceType({
  type: 'reampBox',
  title: 'Re-amp box',
  what: 'Turns a line output into an instrument one: a direct output, and an isolated one whose polarity can be turned.',
  params,
  settings: ({ channels }) => [
    gainKnob('levelDb', 'Level', channels, -20, { min: -60, max: 0 }),
    onOff('invert', 'Polarity of the isolated output', channels),
  ],
  build: (p, read) => {
    const output = { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu };
    const numbers = numbersTo(p.channels);
    return {
      ports: numbers.flatMap((n) => [
        analogueIn(
          'line',
          { key: `in-${n}`, name: `in ${n}` },
          { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu },
        ),
        ...(['direct', 'isolated'] as const).map((which) =>
          analogueOut(
            'instrument',
            { key: `${which}-${n}`, name: `${which} out ${n}`, connector: 'ts', face: 'front' },
            output,
          ),
        ),
      ]),
      routes: numbers.flatMap((n) => routes(p, n, read)),
      stations: numbers.flatMap((n) =>
        (['direct', 'isolated'] as const).map((which) => ({
          key: `${which}-${n}`,
          name: p.channels === 1 ? which : `${n} ${which}`,
          role: 're-amp' as const,
          in: laneAt(`in-${n}`),
          out: laneAt(`${which}-${n}`),
          channel: n,
          settings: which === 'direct' ? ['levelDb'] : KNOBS,
        })),
      ),
    };
  },
});

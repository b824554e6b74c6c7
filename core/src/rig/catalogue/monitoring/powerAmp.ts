import * as z from 'zod';
import { deviceType } from '../deviceType';
import { gainKnob } from '../knobs';
import { channelCount, gainDb, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut } from '../portKinds';
import { active, knobsAt, laneAt } from '../routeKinds';

const params = z.strictObject({
  channels: channelCount(8).default(2),
  gainDb: gainDb.default(29),
  inputOhm: impedanceOhm.default(20_000),
  maxInputDbu: levelDbu.default(22),
  outputOhm: impedanceOhm.default(0.05),
  /** 36 dBu is 49 V: 300 W into 8 Ω. */
  maxOutputDbu: levelDbu.default(36),
  outputNoiseDbu: levelDbu.default(-75),
});

export const powerAmp = deviceType({
  type: 'powerAmp',
  title: 'Power amplifier',
  what: 'Drives loudspeakers, and nothing but loudspeakers: switch it on last and off first.',
  params,
  settings: ({ channels }) => [gainKnob('levelDb', 'Level', channels, 0, { min: -60, max: 0 })],
  build: (p, read) => ({
    ports: numbersTo(p.channels).flatMap((n) => [
      analogueIn('line', { key: `in-${n}`, name: `in ${n}` }, { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu }),
      analogueOut(
        'speaker',
        { key: `out-${n}`, name: `out ${n}`, connector: 'speaker' },
        { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu },
      ),
    ]),
    routes: numbersTo(p.channels).map((n) =>
      active(laneAt(`in-${n}`), laneAt(`out-${n}`), p.gainDb + Number(read('levelDb', n)), {
        outputNoise: p.outputNoiseDbu,
        knobs: knobsAt(n, 'levelDb'),
      }),
    ),
    stations: numbersTo(p.channels).map((n) => ({
      key: `channel-${n}`,
      name: String(n),
      role: 'monitor',
      in: laneAt(`in-${n}`),
      out: laneAt(`out-${n}`),
      channel: n,
      settings: ['levelDb'],
    })),
  }),
});

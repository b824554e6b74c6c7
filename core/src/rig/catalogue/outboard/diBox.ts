import * as z from 'zod';
import { deviceType } from '../deviceType';
import { onOff } from '../knobs';
import { channelCount, gainDb, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut, copperPort } from '../portKinds';
import { active, knobsAt, laneAt, wire } from '../routeKinds';

const params = z.strictObject({
  channels: channelCount(8).default(1),
  inputOhm: impedanceOhm.default(1_000_000),
  maxInputDbu: levelDbu.default(10),
  gainDb: gainDb.default(-20),
  padDb: z.number().min(0).max(40).default(20),
  outputOhm: impedanceOhm.default(150),
  maxOutputDbu: levelDbu.default(0),
  outputNoiseDbu: levelDbu.default(-115),
});

const KNOBS = ['pad', 'groundLift'] as const;

export const diBox = deviceType({
  type: 'diBox',
  title: 'DI box',
  what: 'Turns an instrument output into a balanced mic-level one; its through jack passes the instrument on.',
  params,
  settings: ({ channels }) => [onOff('pad', 'Pad', channels), onOff('groundLift', 'Ground lift', channels)],
  build: (p, read) => ({
    ports: numbersTo(p.channels).flatMap((n) => [
      analogueIn(
        'instrument',
        { key: `in-${n}`, name: `in ${n}`, connector: 'ts', face: 'front' },
        { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu },
      ),
      copperPort('out', { key: `through-${n}`, name: `through ${n}`, connector: 'ts', face: 'front' }),
      analogueOut(
        'mic',
        { key: `out-${n}`, name: `out ${n}`, face: 'front' },
        { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu },
      ),
    ]),
    routes: numbersTo(p.channels).flatMap((n) => [
      wire(laneAt(`in-${n}`), laneAt(`through-${n}`)),
      active(laneAt(`in-${n}`), laneAt(`out-${n}`), p.gainDb - (read('pad', n) === true ? p.padDb : 0), {
        outputNoise: p.outputNoiseDbu,
        knobs: knobsAt(n, ...KNOBS),
      }),
    ]),
    stations: numbersTo(p.channels).map((n) => ({
      key: `channel-${n}`,
      name: p.channels === 1 ? '' : String(n),
      role: 'di',
      in: laneAt(`in-${n}`),
      out: laneAt(`out-${n}`),
      channel: n,
      settings: KNOBS,
    })),
  }),
});

import * as z from 'zod';
import { dbFromVoltageRatio } from '../../../units/decibel';
import { thermalNoiseDbu } from '../../../units/thermalNoise';
import type { InputData, Route } from '../../deviceModel';
import type { ReadSetting } from '../../settings';
import { deviceType } from '../deviceType';
import { onOff } from '../knobs';
import { channelCount, gainDb, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut, copperPort } from '../portKinds';
import { active, knobsAt, laneAt, wire } from '../routeKinds';

const params = z.strictObject({
  channels: channelCount(8).default(1),
  /** A transformer alone, or an amplifier that wants current. */
  kind: z.enum(['active', 'passive']).optional().meta({ typical: 'active' }),
  /** What its amplifier runs on. */
  runsOn: z.enum(['48 V', 'battery or supply']).optional().meta({ typical: '48 V' }),
  /** Turns of the transformer, input over output. */
  ratio: z
    .number()
    .min(1, 'a ratio of 1 or more')
    .max(100, 'a ratio up to 100')
    .optional()
    .meta({ typical: 12 }),
  /** Of the amplifier; a transformer shows what is behind it. */
  inputOhm: impedanceOhm.default(1_000_000),
  maxInputDbu: levelDbu.default(10),
  /** Of the amplifier; a transformer's comes of its ratio. */
  gainDb: gainDb.default(-20),
  padDb: z.number().min(0).max(40).default(20),
  outputOhm: impedanceOhm.default(150),
  maxOutputDbu: levelDbu.default(0),
  outputNoiseDbu: levelDbu.default(-115),
});

type Params = z.infer<typeof params>;

const KNOBS = ['pad', 'groundLift'] as const;
const USUAL_RATIO = 12;

const isPassive = ({ kind }: Params): boolean => kind === 'passive';
const ratioOf = ({ ratio = USUAL_RATIO }: Params): number => ratio;
const padOf = ({ padDb }: Params, n: number, read: ReadSetting): number =>
  read('pad', n) === true ? padDb : 0;

/**
 * What an instrument sees. A transformer shows it the microphone input behind, by the square of its turns; with the
 * pad in, what stands before the amplifier or transformer takes that much more.
 */
const input = (p: Params, n: number, read: ReadSetting): InputData => ({
  maxDbu: p.maxInputDbu + padOf(p, n, read),
  ...(isPassive(p)
    ? { transformer: { to: laneAt(`out-${n}`), ratio: ratioOf(p), secondaryOhm: p.outputOhm } }
    : { loadOhm: p.inputOhm }),
});

/** A transformer makes no noise worth counting, and its gain is 1 over its turns. */
function through(p: Params, n: number, read: ReadSetting): Route {
  const gainDb = isPassive(p) ? -dbFromVoltageRatio(ratioOf(p)) : p.gainDb;
  return active(laneAt(`in-${n}`), laneAt(`out-${n}`), gainDb - padOf(p, n, read), {
    outputNoise: isPassive(p) ? thermalNoiseDbu(p.outputOhm) : p.outputNoiseDbu,
    knobs: knobsAt(n, ...KNOBS),
    ...(isPassive(p) && { showsLoad: true }),
  });
}

export const diBox = deviceType({
  type: 'diBox',
  title: 'DI box',
  what: 'Turns an instrument output into a balanced mic-level one, by an amplifier or a transformer; its through jack passes the instrument on.',
  params,
  settings: ({ channels }) => [onOff('pad', 'Pad', channels), onOff('groundLift', 'Ground lift', channels)],
  build: (p, read) => ({
    ports: numbersTo(p.channels).flatMap((n) => [
      analogueIn(
        'instrument',
        { key: `in-${n}`, name: `in ${n}`, connector: 'ts', face: 'front' },
        input(p, n, read),
      ),
      copperPort('out', { key: `through-${n}`, name: `through ${n}`, connector: 'ts', face: 'front' }),
      analogueOut(
        'mic',
        { key: `out-${n}`, name: `out ${n}`, face: 'front' },
        {
          sourceOhm: p.outputOhm,
          maxDbu: p.maxOutputDbu,
          phantom: isPassive(p) || p.runsOn === 'battery or supply' ? 'harmless' : 'needs',
        },
      ),
    ]),
    routes: numbersTo(p.channels).flatMap((n) => [
      wire(laneAt(`in-${n}`), laneAt(`through-${n}`)),
      through(p, n, read),
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

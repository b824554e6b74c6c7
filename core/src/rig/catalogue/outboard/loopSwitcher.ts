import * as z from 'zod';
import type { Port, Route, Station } from '../../deviceModel';
import type { ReadSetting } from '../../settings';
import { deviceType } from '../deviceType';
import { onOff } from '../knobs';
import { channelCount, countTo, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut, insideLanes } from '../portKinds';
import { active, crosspoint, knobsAt, laneAt } from '../routeKinds';

const params = z.strictObject({
  loops: channelCount(16).default(4),
  /** How many of them, the last ones, have a left and a right. With all of them stereo the input is stereo too. */
  stereoLoops: countTo(16).default(0),
  level: z.enum(['instrument', 'line']).default('instrument'),
  inputOhm: impedanceOhm.default(1_000_000),
  outputOhm: impedanceOhm.default(500),
  maxDbu: levelDbu.default(12),
  outputNoiseDbu: levelDbu.default(-95),
});
type Params = z.infer<typeof params>;

/** A side of the chain: what was there before stereo loops came is the left one, and keeps its keys. */
interface Side {
  readonly suffix: '' | '-right';
  readonly name: '' | ' left' | ' right';
}
const MONO: readonly Side[] = [{ suffix: '', name: '' }];
const STEREO: readonly Side[] = [
  { suffix: '', name: ' left' },
  { suffix: '-right', name: ' right' },
];

const firstStereo = ({ loops, stereoLoops }: Params): number => loops - Math.min(stereoLoops, loops) + 1;
const sidesOf = (p: Params, loop: number): readonly Side[] => (loop >= firstStereo(p) ? STEREO : MONO);
const inSides = (p: Params): readonly Side[] => sidesOf(p, 1);
const outSides = (p: Params): readonly Side[] => sidesOf(p, p.loops);

/** The signal between the loops: before loop n it is at `stage` n, after the last at `stage` loops + 1. */
const stage = ({ suffix }: Side, n: number): ReturnType<typeof laneAt> => laneAt(`stage${suffix}`, n);

function loopRoutes(p: Params, n: number, read: ReadSetting): readonly Route[] {
  const knobs = knobsAt(n, 'loopIn');
  return sidesOf(p, n).flatMap((side) => {
    // Where the chain becomes stereo, both sides begin with the one signal there is.
    const [left] = STEREO;
    const from = n === firstStereo(p) && n > 1 && left !== undefined ? stage(left, n) : stage(side, n);
    if (read('loopIn', n) !== true) return [crosspoint(from, stage(side, n + 1), 0, { knobs })];
    return [
      crosspoint(from, laneAt(`send-${n}${side.suffix}`), 0, { knobs }),
      crosspoint(laneAt(`return-${n}${side.suffix}`), stage(side, n + 1), 0, { knobs }),
    ];
  });
}

function ports(p: Params): readonly Port[] {
  const connector = p.level === 'instrument' ? 'ts' : 'xlr';
  const input = { loadOhm: p.inputOhm, maxDbu: p.maxDbu };
  const output = { sourceOhm: p.outputOhm, maxDbu: p.maxDbu };
  const into = (key: string, name: string): Port => analogueIn(p.level, { key, name, connector }, input);
  const out = (key: string, name: string): Port => analogueOut(p.level, { key, name, connector }, output);
  return [
    ...inSides(p).map(({ suffix, name }) => into(`in${suffix}`, `in${name}`)),
    ...outSides(p).map(({ suffix, name }) => out(`out${suffix}`, `out${name}`)),
    ...numbersTo(p.loops).flatMap((n) =>
      sidesOf(p, n).flatMap(({ suffix, name }) => [
        out(`send-${n}${suffix}`, `send ${n}${name}`),
        into(`return-${n}${suffix}`, `return ${n}${name}`),
      ]),
    ),
    ...outSides(p).map(({ suffix, name }) =>
      insideLanes('out', `stage${suffix}`, `stage${name}`, p.loops + 1, p.level),
    ),
  ];
}

/** A loop stands in a chain as one, whatever hangs in it: out at its send, back at its return. */
const stations = (p: Params): readonly Station[] =>
  numbersTo(p.loops).flatMap((n) =>
    sidesOf(p, n).map((side) => ({
      key: `loop-${n}${side.suffix}`,
      name: `loop ${n}${side.name}`,
      role: 'loop' as const,
      in: laneAt(`send-${n}${side.suffix}`),
      out: laneAt(`return-${n}${side.suffix}`),
      channel: n,
      settings: ['loopIn'],
    })),
  );

export const loopSwitcher = deviceType({
  type: 'loopSwitcher',
  title: 'Loop switcher',
  what: 'Takes loops in and out of one chain, in their order; several units may be wired one after another inside a loop.',
  params,
  settings: ({ loops }) => [onOff('loopIn', 'Loop in', loops)],
  build: (p, read) => ({
    ports: ports(p),
    routes: [
      ...inSides(p).map((side) => active(laneAt(`in${side.suffix}`), stage(side, 1), 0)),
      ...numbersTo(p.loops).flatMap((n) => loopRoutes(p, n, read)),
      ...outSides(p).map((side) =>
        active(stage(side, p.loops + 1), laneAt(`out${side.suffix}`), 0, { outputNoise: p.outputNoiseDbu }),
      ),
    ],
    stations: stations(p),
  }),
});

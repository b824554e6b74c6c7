import * as z from 'zod';
import type { Route } from '../../deviceModel';
import type { ReadSetting } from '../../settings';
import { deviceType } from '../deviceType';
import { onOff } from '../knobs';
import { channelCount, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut, insideLanes } from '../portKinds';
import { active, crosspoint, knobsAt, laneAt } from '../routeKinds';

const params = z.strictObject({
  loops: channelCount(16).default(4),
  level: z.enum(['instrument', 'line']).default('instrument'),
  inputOhm: impedanceOhm.default(1_000_000),
  outputOhm: impedanceOhm.default(500),
  maxDbu: levelDbu.default(12),
  outputNoiseDbu: levelDbu.default(-95),
});

/** The signal between the loops: before loop n it is at `stage` n, after the last at `stage` loops + 1. */
const stage = (n: number): ReturnType<typeof laneAt> => laneAt('stage', n);

function loopRoutes(n: number, read: ReadSetting): readonly Route[] {
  const knobs = knobsAt(n, 'loopIn');
  if (read('loopIn', n) !== true) return [crosspoint(stage(n), stage(n + 1), 0, { knobs })];
  return [
    crosspoint(stage(n), laneAt(`send-${n}`), 0, { knobs }),
    crosspoint(laneAt(`return-${n}`), stage(n + 1), 0, { knobs }),
  ];
}

export const loopSwitcher = deviceType({
  type: 'loopSwitcher',
  title: 'Loop switcher',
  what: 'Takes loops in and out of one chain, in their order; several units may be wired one after another inside a loop.',
  params,
  settings: ({ loops }) => [onOff('loopIn', 'Loop in', loops)],
  build(p, read) {
    const connector = p.level === 'instrument' ? 'ts' : 'xlr';
    const input = { loadOhm: p.inputOhm, maxDbu: p.maxDbu };
    const output = { sourceOhm: p.outputOhm, maxDbu: p.maxDbu };
    const loops = numbersTo(p.loops);
    return {
      ports: [
        analogueIn(p.level, { key: 'in', name: 'in', connector }, input),
        analogueOut(p.level, { key: 'out', name: 'out', connector }, output),
        ...loops.flatMap((n) => [
          analogueOut(p.level, { key: `send-${n}`, name: `send ${n}`, connector }, output),
          analogueIn(p.level, { key: `return-${n}`, name: `return ${n}`, connector }, input),
        ]),
        insideLanes('out', 'stage', 'stage', p.loops + 1, p.level),
      ],
      routes: [
        active(laneAt('in'), stage(1), 0),
        ...loops.flatMap((n) => loopRoutes(n, read)),
        active(stage(p.loops + 1), laneAt('out'), 0, { outputNoise: p.outputNoiseDbu }),
      ],
      stations: [],
    };
  },
});

import * as z from 'zod';
import { deviceType } from '../deviceType';
import { channelCount, numbersTo } from '../params';
import { copperPort } from '../portKinds';
import { laneAt, wire } from '../routeKinds';

const params = z.strictObject({
  sets: channelCount(24).default(1),
  outputs: channelCount(12).default(3),
  connector: z.enum(['tt', 'trs', 'xlr']).default('tt'),
});

export const mult = deviceType({
  type: 'mult',
  title: 'Mult',
  what: 'Jacks soldered in parallel: one signal in, the same signal at each of the others.',
  params,
  build({ sets, outputs, connector }) {
    const all = numbersTo(sets);
    const outs = numbersTo(outputs);
    return {
      ports: all.flatMap((set) => [
        copperPort('in', { key: `in-${set}`, name: `${set} in`, connector, face: 'front' }),
        ...outs.map((n) =>
          copperPort('out', { key: `out-${set}-${n}`, name: `${set} out ${n}`, connector, face: 'front' }),
        ),
      ]),
      routes: all.flatMap((set) => outs.map((n) => wire(laneAt(`in-${set}`), laneAt(`out-${set}-${n}`)))),
      stations: [],
    };
  },
});

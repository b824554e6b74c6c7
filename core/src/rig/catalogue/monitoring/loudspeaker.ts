import * as z from 'zod';
import { deviceType } from '../deviceType';
import { impedanceOhm, levelDbu } from '../params';
import { analogueIn } from '../portKinds';

const params = z.strictObject({
  powered: z.boolean().default(true),
  /** Of a powered one: its line input. */
  inputOhm: impedanceOhm.default(20_000),
  maxInputDbu: levelDbu.default(22),
  /** Of one without an amplifier. */
  impedanceOhm: impedanceOhm.default(8),
  /** To the place where it is listened to. */
  distanceM: z
    .number()
    .min(0, 'a distance from 0 to 100 m')
    .max(100, 'a distance from 0 to 100 m')
    .optional(),
});

export const loudspeaker = deviceType({
  type: 'loudspeaker',
  title: 'Loudspeaker',
  what: 'The end of the line: with its own amplifier it takes line level, without one a power amplifier.',
  params,
  build: ({ powered, inputOhm, maxInputDbu, impedanceOhm: loadOhm }) => ({
    ports: [
      powered
        ? analogueIn('line', { key: 'in', name: 'in' }, { loadOhm: inputOhm, maxDbu: maxInputDbu })
        : analogueIn('speaker', { key: 'in', name: 'in', connector: 'speaker' }, { loadOhm }),
    ],
    routes: [],
    stations: [],
  }),
});

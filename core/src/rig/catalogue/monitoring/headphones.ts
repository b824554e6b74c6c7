import * as z from 'zod';
import { deviceType } from '../deviceType';
import { impedanceOhm } from '../params';
import { analogueIn } from '../portKinds';

const params = z.strictObject({
  impedanceOhm: impedanceOhm.default(64),
  sensitivityDbPerMw: z.number().min(60).max(140).default(98),
  /** Open headphones let a click be heard by a microphone nearby. */
  build: z.enum(['closed', 'open']).default('closed'),
});

export const headphones = deviceType({
  type: 'headphones',
  title: 'Headphones',
  what: 'What a performer hears with: their impedance and sensitivity decide how loud a cue can become.',
  params,
  build: ({ impedanceOhm: loadOhm }) => ({
    ports: [
      analogueIn(
        'phones',
        { key: 'in', name: '', lanes: 2, laneNames: ['left', 'right'], connector: 'trs', face: 'front' },
        { loadOhm },
      ),
    ],
    routes: [],
    stations: [],
  }),
});

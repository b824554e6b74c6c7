import * as z from 'zod';
import { deviceType } from '../deviceType';
import { impedanceOhm, levelDbu } from '../params';
import { onOff } from '../knobs';
import { analogueOut, insideLanes } from '../portKinds';
import { active, knobsAt, laneAt } from '../routeKinds';

const params = z.strictObject({
  outputOhm: impedanceOhm.default(100),
  maxOutputDbu: levelDbu.default(20),
  outputNoiseDbu: levelDbu.default(-80),
});

export const talkback = deviceType({
  type: 'talkback',
  title: 'Talkback microphone',
  what: 'Speaks to the performers at line level while its key is held.',
  params,
  settings: () => [onOff('talk', 'Talk', 1)],
  build: ({ outputOhm, maxOutputDbu, outputNoiseDbu }, read) => ({
    ports: [
      insideLanes('out', 'capsule', 'capsule', 1),
      analogueOut('line', { key: 'out', name: 'out' }, { sourceOhm: outputOhm, maxDbu: maxOutputDbu }),
    ],
    routes:
      read('talk', 1) === true
        ? [
            active(laneAt('capsule'), laneAt('out'), 0, {
              outputNoise: outputNoiseDbu,
              knobs: knobsAt(1, 'talk'),
            }),
          ]
        : [],
    stations: [],
  }),
});

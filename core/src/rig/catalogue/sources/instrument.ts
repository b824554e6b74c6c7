import * as z from 'zod';
import { deviceType } from '../deviceType';
import { impedanceOhm, levelDbu } from '../params';
import { analogueOut } from '../portKinds';

const params = z.strictObject({
  sourceOhm: impedanceOhm.default(10_000),
  maxOutputDbu: levelDbu.default(0),
  outputNoiseDbu: levelDbu.default(-95),
});

export const instrument = deviceType({
  type: 'instrument',
  title: 'Electric instrument',
  what: 'A pickup or keyboard output at instrument level: it wants a DI box, or a pedal.',
  params,
  build: ({ sourceOhm, maxOutputDbu, outputNoiseDbu }) => ({
    ports: [
      analogueOut(
        'instrument',
        { key: 'out', name: '', connector: 'ts', face: 'front' },
        { sourceOhm, maxDbu: maxOutputDbu, noiseDbu: outputNoiseDbu },
      ),
    ],
    routes: [],
    stations: [],
  }),
});

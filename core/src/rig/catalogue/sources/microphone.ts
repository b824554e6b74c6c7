import * as z from 'zod';
import { sensitivityDbu, microphoneDbu } from '../../../units/soundLevel';
import { thermalNoiseDbu } from '../../../units/thermalNoise';
import { deviceType } from '../deviceType';
import { impedanceOhm } from '../params';

const params = z.strictObject({
  principle: z.enum(['condenser', 'dynamic', 'ribbon']),
  sensitivityMvPerPa: z.number().positive('a sensitivity is above 0 mV/Pa').max(1000),
  sourceOhm: impedanceOhm.default(200),
  /** Equivalent sound level of its own noise. Left out: the thermal noise of its impedance. */
  selfNoiseDbSpl: z.number().min(-20).max(60).optional(),
  /** How that figure was weighted; left out, A-weighted, as it is usually published. */
  selfNoiseWeighting: z.enum(['A-weighted', 'unweighted']).optional().meta({ typical: 'A-weighted' }),
  maxDbSpl: z.number().min(60).max(200).optional(),
});

const PHANTOM = { condenser: 'needs', dynamic: 'harmless', ribbon: 'harmful' } as const;

export const microphone = deviceType({
  type: 'microphone',
  title: 'Microphone',
  what: 'Turns sound into a mic-level signal: condenser, dynamic or ribbon.',
  params,
  build({ principle, sensitivityMvPerPa, sourceOhm, selfNoiseDbSpl, selfNoiseWeighting, maxDbSpl }) {
    const inOnePascalDbu = sensitivityDbu(sensitivityMvPerPa);
    const noiseDbu =
      selfNoiseDbSpl === undefined
        ? thermalNoiseDbu(sourceOhm)
        : microphoneDbu(inOnePascalDbu, selfNoiseDbSpl);
    return {
      ports: [
        {
          key: 'out',
          name: '',
          direction: 'out',
          medium: 'mic',
          lanes: 1,
          connector: 'xlr',
          face: 'front',
          balanced: true,
          output: { sourceOhm, noiseDbu },
          microphone: {
            sensitivityDbu: inOnePascalDbu,
            phantom: PHANTOM[principle],
            ...(maxDbSpl !== undefined && { maxDbSpl }),
            ...(selfNoiseDbSpl !== undefined &&
              selfNoiseWeighting !== 'unweighted' && { noiseIsWeighted: true }),
          },
        },
      ],
      routes: [],
      stations: [],
    };
  },
});

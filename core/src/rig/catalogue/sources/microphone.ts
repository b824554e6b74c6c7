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
  /**
   * What 48 V is to it; left out, what it is to its kind. A ribbon with an amplifier inside needs it, a valve
   * microphone has a supply of its own.
   */
  phantomPower: z.enum(['needs', 'harmless', 'harmful']).optional(),
});

/** What 48 V usually is to it: a ribbon with an amplifier inside needs it, a passive one is harmed by it. */
const PHANTOM = { condenser: 'needs', dynamic: 'harmless', ribbon: 'harmful' } as const;

export const microphone = deviceType({
  type: 'microphone',
  title: 'Microphone',
  what: 'Turns sound into a mic-level signal: condenser, dynamic or ribbon.',
  params,
  build({
    principle,
    sensitivityMvPerPa,
    sourceOhm,
    selfNoiseDbSpl,
    selfNoiseWeighting,
    maxDbSpl,
    phantomPower,
  }) {
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
          output: { sourceOhm, noiseDbu, phantom: phantomPower ?? PHANTOM[principle] },
          microphone: {
            sensitivityDbu: inOnePascalDbu,
            ...(maxDbSpl !== undefined && { maxDbSpl, phantomPower }),
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

import * as z from 'zod';
import { sensitivityDbu, microphoneDbu } from '../../../units/soundLevel';
import { thermalNoiseDbu } from '../../../units/thermalNoise';
import type { Port } from '../../deviceModel';
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

type Params = z.infer<typeof params>;

/** Its own noise at the output: as published, or that of its impedance. */
const noiseDbu = ({ selfNoiseDbSpl, sourceOhm }: Params, inOnePascalDbu: number): number =>
  selfNoiseDbSpl === undefined ? thermalNoiseDbu(sourceOhm) : microphoneDbu(inOnePascalDbu, selfNoiseDbSpl);

function port(p: Params): Port {
  const inOnePascalDbu = sensitivityDbu(p.sensitivityMvPerPa);
  const isWeighted = p.selfNoiseDbSpl !== undefined && p.selfNoiseWeighting !== 'unweighted';
  return {
    ...{ key: 'out', name: '', direction: 'out', medium: 'mic', lanes: 1 },
    ...{ connector: 'xlr', face: 'front', balanced: true },
    output: {
      sourceOhm: p.sourceOhm,
      noiseDbu: noiseDbu(p, inOnePascalDbu),
      phantom: p.phantomPower ?? PHANTOM[p.principle],
    },
    microphone: {
      sensitivityDbu: inOnePascalDbu,
      ...(p.maxDbSpl !== undefined && { maxDbSpl: p.maxDbSpl }),
      ...(isWeighted && { noiseIsWeighted: true }),
    },
  };
}

export const microphone = deviceType({
  type: 'microphone',
  title: 'Microphone',
  what: 'Turns sound into a mic-level signal: condenser, dynamic or ribbon.',
  params,
  build: (p) => ({ ports: [port(p)], routes: [], stations: [] }),
});

import * as z from 'zod';
import { thermalNoiseDbu } from '../../../units/thermalNoise';
import { deviceType } from '../deviceType';
import { channelCount, impedanceOhm, numbersTo } from '../params';
import { analogueIn, analogueOut } from '../portKinds';
import { active, laneAt } from '../routeKinds';

const params = z.strictObject({
  channels: channelCount(16).default(1),
  /** Into an open output. */
  lossDb: z.number().min(0, 'a loss from 0 to 80 dB').max(80, 'a loss from 0 to 80 dB').default(40),
  inputOhm: impedanceOhm.default(2_000),
  outputOhm: impedanceOhm.default(150),
});

/** Resistors only: its noise is that of its output resistance. No station: a thread runs through it wherever it is wired. */
export const inlinePad = deviceType({
  type: 'inlinePad',
  title: 'Inline pad',
  what: 'Brings line level down to mic level with resistors alone. It does not part the earths, and lets 48 V through.',
  params,
  build: (p) => ({
    ports: numbersTo(p.channels).flatMap((n) => [
      analogueIn('line', { key: `in-${n}`, name: `in ${n}`, face: 'front' }, { loadOhm: p.inputOhm }),
      analogueOut('mic', { key: `out-${n}`, name: `out ${n}`, face: 'front' }, { sourceOhm: p.outputOhm }),
    ]),
    routes: numbersTo(p.channels).map((n) =>
      active(laneAt(`in-${n}`), laneAt(`out-${n}`), -p.lossDb, {
        outputNoise: thermalNoiseDbu(p.outputOhm),
        passesPower: true,
      }),
    ),
    stations: [],
  }),
});

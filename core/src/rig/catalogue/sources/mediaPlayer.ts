import * as z from 'zod';
import { deviceType } from '../deviceType';
import { impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueOut, codedPort } from '../portKinds';

const params = z.strictObject({
  /** +4 dBu balanced, or consumer level on two-conductor plugs. */
  output: z.enum(['balanced line', 'unbalanced line', 'digital']).default('balanced line'),
  outputOhm: impedanceOhm.default(100),
  /** Left out, +18 dBu balanced and +8 dBu unbalanced. Common practice, no source. */
  maxOutputDbu: levelDbu.optional(),
  outputNoiseDbu: levelDbu.default(-85),
});

export const mediaPlayer = deviceType({
  type: 'mediaPlayer',
  title: 'Media player',
  what: 'Plays finished programme in stereo: references, playback for performers.',
  params,
  build({ output, outputOhm, maxOutputDbu, outputNoiseDbu }) {
    const usualMax = output === 'unbalanced line' ? 8 : 18;
    const data = { sourceOhm: outputOhm, maxDbu: maxOutputDbu ?? usualMax, noiseDbu: outputNoiseDbu };
    const connector = output === 'unbalanced line' ? 'ts' : 'xlr';
    const ports =
      output === 'digital'
        ? [
            codedPort('out', {
              key: 'digital',
              name: 'digital out',
              lanes: 2,
              connector: 'xlr',
              link: 'aes3',
            }),
          ]
        : numbersTo(2).map((channel) =>
            analogueOut(
              'line',
              { key: `out-${channel}`, name: `out ${channel === 1 ? 'left' : 'right'}`, connector },
              data,
            ),
          );
    return { ports, routes: [], stations: [] };
  },
});

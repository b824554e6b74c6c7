import * as z from 'zod';
import { deviceType } from '../deviceType';
import { channelCount, numbersTo } from '../params';
import { codedPort } from '../portKinds';

const params = z.strictObject({ outputs: channelCount(32).default(8) });

export const clockGenerator = deviceType({
  type: 'clockGenerator',
  title: 'Clock generator',
  what: 'Gives word clock to everything digital, so that one unit alone is master.',
  params,
  build: ({ outputs }) => ({
    ports: numbersTo(outputs).map((n) =>
      codedPort('out', { key: `clock-${n}`, name: `clock out ${n}`, connector: 'bnc' }, 'clock'),
    ),
    routes: [],
    stations: [],
  }),
});

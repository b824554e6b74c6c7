import * as z from 'zod';
import { deviceType } from '../deviceType';
import { channelCount, numbersTo } from '../params';
import { codedPort } from '../portKinds';

const params = z.strictObject({ outputs: channelCount(8).default(1) });

export const timecodeSource = deviceType({
  type: 'timecodeSource',
  title: 'Timecode source',
  what: 'Sends timecode that console automation and recorders follow.',
  params,
  build: ({ outputs }) => ({
    ports: numbersTo(outputs).map((n) =>
      codedPort('out', { key: `timecode-${n}`, name: `timecode out ${n}`, connector: 'xlr' }, 'timecode'),
    ),
    routes: [],
    stations: [],
  }),
});

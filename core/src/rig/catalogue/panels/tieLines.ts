import * as z from 'zod';
import { deviceType } from '../deviceType';
import { countTo } from '../params';
import { linePanel } from './linePanel';

const params = z
  .strictObject({
    outgoing: countTo(192).default(16),
    incoming: countTo(192).default(8),
    connector: z.enum(['xlr', 'trs', 'tt', 'db25']).default('xlr'),
  })
  .refine(({ outgoing, incoming }) => outgoing + incoming > 0, {
    message: 'a tie line panel needs at least one line, outgoing or incoming',
    path: ['outgoing'],
  });

export const tieLines = deviceType({
  type: 'tieLines',
  title: 'Tie line panel',
  what: 'One end of the lines between two rooms; wire its rear to the panel in the other room.',
  params,
  build: ({ outgoing, incoming, connector }) => linePanel({ lines: outgoing, returns: incoming, connector }),
});

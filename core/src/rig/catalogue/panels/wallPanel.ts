import * as z from 'zod';
import { deviceType } from '../deviceType';
import { channelCount, countTo } from '../params';
import { linePanel } from './linePanel';

const params = z.strictObject({
  lines: channelCount(96).default(8),
  returns: countTo(96).default(0),
  /** Returns that carry left and right on one XLR; they take a lead from XLR to stereo jack. */
  cueReturns: countTo(24).optional(),
});

export const wallPanel = deviceType({
  type: 'wallPanel',
  title: 'Wall panel',
  what: 'Numbered jacks on a room’s wall, wired through to somewhere else; returns bring cues back.',
  params,
  build: ({ lines, returns, cueReturns }) =>
    linePanel({
      ...{ lines, returns, connector: 'xlr' },
      ...(cueReturns !== undefined && { cueReturns }),
    }),
});

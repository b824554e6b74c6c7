import * as z from 'zod';
import { deviceType } from '../deviceType';
import { preampKnobs, preampParams } from '../outboard/preampStage';
import { channelCount } from '../params';
import { codedPort } from '../portKinds';
import { conversionParams, referenceKnobs } from './conversion';
import { digitalPreamp } from './digitalPreamp';

/** An optical link carries eight lanes at single rate. */
const PER_LINK = 8;

const params = z.strictObject({
  channels: channelCount(16).default(8),
  ...conversionParams,
  ...preampParams,
});

export const opticalPreamp = deviceType({
  type: 'opticalPreamp',
  title: 'Mic preamp with optical out',
  what: 'Preamps with converters; their signals leave on an optical link, eight lanes at single rate.',
  params,
  settings: (p) => [...preampKnobs(p, p.channels), ...referenceKnobs(p, p.channels, 0)],
  build(p, read) {
    const { channels } = p;
    const made = digitalPreamp(p, { channels, link: 'optical', lanesPerLink: PER_LINK, face: 'rear' }, read);
    const clock = codedPort('in', { key: 'clock-in', name: 'clock in', connector: 'bnc' }, 'clock');
    return { ...made, ports: [...made.ports, clock] };
  },
});

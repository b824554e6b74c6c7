import * as z from 'zod';
import { deviceType } from '../deviceType';
import { preampKnobs, preampParams } from '../outboard/preampStage';
import { channelCount, countTo, numbersTo } from '../params';
import { analogueOut } from '../portKinds';
import { laneAt } from '../routeKinds';
import { conversionParams, dacRoute, referenceKnobs } from './conversion';
import { digitalPreamp, linkLane, linkPorts } from './digitalPreamp';

const params = z.strictObject({
  inputs: channelCount(64).default(32),
  outputs: countTo(64).default(16),
  link: z.enum(['madi', 'optical']).default('madi'),
  ...conversionParams,
  ...preampParams,
});

const PER_LINK = { madi: 64, optical: 8 } as const;

export const stagebox = deviceType({
  type: 'stagebox',
  title: 'Stagebox',
  what: 'Preamps and line outputs in the room, joined to a console or interface by a digital link.',
  params,
  settings: (p) => [...preampKnobs(p, p.inputs), ...referenceKnobs(p, p.inputs, p.outputs)],
  build(p, read) {
    const lanesPerLink = PER_LINK[p.link];
    const made = digitalPreamp(p, { channels: p.inputs, link: p.link, lanesPerLink, face: 'front' }, read);
    const outs = numbersTo(p.outputs);
    const from = (n: number): ReturnType<typeof laneAt> => linkLane('in', p.link, n, lanesPerLink);
    return {
      ports: [
        ...made.ports,
        ...linkPorts('in', p.link, p.outputs, lanesPerLink, `${p.link} in`),
        ...outs.map((n) =>
          analogueOut(
            'line',
            { key: `out-${n}`, name: `out ${n}`, face: 'front' },
            { sourceOhm: p.outputOhm },
          ),
        ),
      ],
      routes: [...made.routes, ...outs.map((n) => dacRoute(p, n, read, from(n), laneAt(`out-${n}`)))],
      stations: [
        ...made.stations,
        ...outs.map((n) => ({
          key: `dac-${n}`,
          name: `out ${n}`,
          role: 'line-output' as const,
          in: from(n),
          out: laneAt(`out-${n}`),
          channel: n,
          settings: ['dacReferenceDbu'],
        })),
      ],
    };
  },
});

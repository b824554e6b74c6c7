import * as z from 'zod';
import { deviceType } from '../deviceType';
import { channelCount, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueOut } from '../portKinds';
import { laneAt } from '../routeKinds';
import { micInput, PREAMP_KNOBS, preampKnobs, preampParams, preampRoute } from './preampStage';

const params = z.strictObject({
  channels: channelCount(64).default(4),
  ...preampParams,
  outputOhm: impedanceOhm.default(75),
  maxOutputDbu: levelDbu.default(26),
});

export const micPreamp = deviceType({
  type: 'micPreamp',
  title: 'Mic preamp',
  what: 'Lifts mic level to line level, with 48 V, pad and polarity for each channel.',
  params,
  settings: (p) => preampKnobs(p, p.channels),
  build(p, read) {
    const numbers = numbersTo(p.channels);
    return {
      ports: numbers.flatMap((n) => [
        micInput(p, n, read),
        analogueOut(
          'line',
          { key: `out-${n}`, name: `out ${n}` },
          { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu },
        ),
      ]),
      routes: numbers.map((n) => preampRoute(p, n, read, laneAt(`mic-${n}`), laneAt(`out-${n}`))),
      stations: numbers.map((n) => ({
        key: `channel-${n}`,
        name: String(n),
        role: 'preamp',
        in: laneAt(`mic-${n}`),
        out: laneAt(`out-${n}`),
        channel: n,
        settings: PREAMP_KNOBS,
      })),
    };
  },
});

import * as z from 'zod';
import { deviceType } from '../deviceType';
import { channelCount, gainDb, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut } from '../portKinds';
import { active, laneAt } from '../routeKinds';

const params = z.strictObject({
  channels: channelCount(16).default(2),
  /** What its ratio does to the level: 0 dB at 1:1, −12 dB at 4:1. */
  gainDb: gainDb.default(0),
  /** As the source sees it, with the usual load behind it. */
  inputOhm: impedanceOhm.default(10_000),
  outputOhm: impedanceOhm.default(200),
  /** Where its core goes into saturation at the low end. */
  maxInputDbu: levelDbu.default(20),
});

/** It has no electronics, and adds no noise worth a figure. No station: a thread runs through it wherever it is wired. */
export const lineTransformer = deviceType({
  type: 'lineTransformer',
  title: 'Line transformer',
  what: 'Parts the earths of two units: either side may be unbalanced without loss of level, and hum between them goes.',
  params,
  build: (p) => ({
    ports: numbersTo(p.channels).flatMap((n) => [
      analogueIn(
        'line',
        { key: `in-${n}`, name: `in ${n}` },
        { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu, floating: true },
      ),
      analogueOut(
        'line',
        { key: `out-${n}`, name: `out ${n}` },
        { sourceOhm: p.outputOhm, maxDbu: p.maxInputDbu + p.gainDb, floating: true },
      ),
    ]),
    routes: numbersTo(p.channels).map((n) => active(laneAt(`in-${n}`), laneAt(`out-${n}`), p.gainDb)),
    stations: [],
  }),
});

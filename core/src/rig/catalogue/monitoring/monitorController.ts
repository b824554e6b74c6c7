import * as z from 'zod';
import { deviceType } from '../deviceType';
import { channelCount, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut, insideLanes } from '../portKinds';
import { laneAt } from '../routeKinds';
import { controlRoom, controlRoomKnobs } from './controlRoom';

const params = z.strictObject({
  sources: channelCount(16).default(4),
  speakerSets: channelCount(6).default(3),
  inputOhm: impedanceOhm.default(20_000),
  maxInputDbu: levelDbu.default(26),
  outputOhm: impedanceOhm.default(100),
  maxOutputDbu: levelDbu.default(24),
  outputNoiseDbu: levelDbu.default(-95),
});

const SIDES = ['left', 'right'] as const;
const pair = (prefix: string) => [laneAt(`${prefix}-left`), laneAt(`${prefix}-right`)] as const;

export const monitorController = deviceType({
  type: 'monitorController',
  title: 'Monitor controller',
  what: 'Chooses between level-matched sources and loudspeaker sets, with level, dim, cut and mono.',
  params,
  settings: ({ sources, speakerSets }) =>
    controlRoomKnobs(
      numbersTo(sources).map((n) => `source ${n}`),
      speakerSets,
    ),
  build: (p, read) => ({
    ports: [
      ...numbersTo(p.sources).flatMap((n) =>
        SIDES.map((side) =>
          analogueIn(
            'line',
            { key: `source-${n}-${side}`, name: `source ${n} ${side}` },
            { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu },
          ),
        ),
      ),
      insideLanes('out', 'room', 'room', 2),
      ...numbersTo(p.speakerSets).flatMap((n) =>
        SIDES.map((side) =>
          analogueOut(
            'line',
            { key: `speakers-${n}-${side}`, name: `speakers ${n} ${side}` },
            { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu },
          ),
        ),
      ),
    ],
    routes: controlRoom({
      sources: numbersTo(p.sources).map((n) => pair(`source-${n}`)),
      room: [laneAt('room', 1), laneAt('room', 2)],
      speakers: numbersTo(p.speakerSets).map((n) => pair(`speakers-${n}`)),
      outputNoiseDbu: p.outputNoiseDbu,
      read,
    }),
    stations: [],
  }),
});

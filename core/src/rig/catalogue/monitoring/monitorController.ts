import * as z from 'zod';
import type { Port } from '../../deviceModel';
import { channelSheet, section } from '../../sheets/channelSheet';
import { deviceType } from '../deviceType';
import { channelCount, countTo, impedanceOhm, levelDbu, numbersTo } from '../params';
import { analogueIn, analogueOut, insideLanes } from '../portKinds';
import { laneAt } from '../routeKinds';
import type { Speakers } from './controlRoom';
import { controlRoom, controlRoomKnobs } from './controlRoom';
import { controlRoomRows } from './controlRoomSheet';
import { MOST_SPEAKERS, speakerNames } from './speakerLayout';

const params = z.strictObject({
  sources: channelCount(16).default(4),
  /** The first sources have a channel for every loudspeaker of the widest set; the others are stereo. */
  wideSources: countTo(16).default(0),
  speakerSets: channelCount(6).default(3),
  /** How many loudspeakers each set has, in order; two where nothing is said. */
  setSpeakers: z.array(channelCount(MOST_SPEAKERS)).max(6).default([]),
  inputOhm: impedanceOhm.default(20_000),
  maxInputDbu: levelDbu.default(26),
  outputOhm: impedanceOhm.default(100),
  maxOutputDbu: levelDbu.default(24),
  outputNoiseDbu: levelDbu.default(-95),
});
type Params = z.infer<typeof params>;

const STEREO = speakerNames(2);

const setNames = ({ setSpeakers }: Params, set: number): readonly string[] =>
  speakerNames(setSpeakers[set - 1] ?? STEREO.length);

/** What the room inside carries: left and right, and what the sets have besides. */
const roomNames = (p: Params): readonly string[] => [
  ...new Set([
    ...STEREO,
    ...numbersTo(p.speakerSets).flatMap((set) => (p.setSpeakers[set - 1] === 1 ? [] : setNames(p, set))),
  ]),
];

const sourceNames = (p: Params, source: number): readonly string[] =>
  source <= p.wideSources ? roomNames(p) : STEREO;

const keyOf = (prefix: string, name: string): string => `${prefix}-${name.replaceAll(' ', '-')}`;

const speakersOf = (prefix: string, names: readonly string[]): Speakers =>
  names.map((name) => ({ name, lane: laneAt(keyOf(prefix, name)) }));

function ports(p: Params): readonly Port[] {
  const input = { loadOhm: p.inputOhm, maxDbu: p.maxInputDbu };
  const output = { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu };
  return [
    ...numbersTo(p.sources).flatMap((n) =>
      sourceNames(p, n).map((name) =>
        analogueIn('line', { key: keyOf(`source-${n}`, name), name: `source ${n} ${name}` }, input),
      ),
    ),
    { ...insideLanes('out', 'room', 'room', roomNames(p).length), laneNames: [...roomNames(p)] },
    ...numbersTo(p.speakerSets).flatMap((n) =>
      setNames(p, n).map((name) =>
        analogueOut('line', { key: keyOf(`speakers-${n}`, name), name: `speakers ${n} ${name}` }, output),
      ),
    ),
  ];
}

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
    ports: ports(p),
    routes: controlRoom({
      sources: numbersTo(p.sources).map((n) => speakersOf(`source-${n}`, sourceNames(p, n))),
      room: roomNames(p).map((name, i) => ({ name, lane: laneAt('room', i + 1) })),
      sets: numbersTo(p.speakerSets).map((n) => speakersOf(`speakers-${n}`, setNames(p, n))),
      outputNoiseDbu: p.outputNoiseDbu,
      read,
    }),
    stations: [],
  }),
  sheet: (p) =>
    channelSheet([
      section(
        'centre',
        'Control room',
        controlRoomRows({
          sources: numbersTo(p.sources).map((n) => `source ${n}`),
          room: laneAt('room', 1),
          sets: numbersTo(p.speakerSets).map((n) =>
            speakersOf(`speakers-${n}`, setNames(p, n)).map(({ lane }) => lane),
          ),
        }),
      ),
    ]),
});

import type { LaneKey, Port, Route } from '../../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../../settings';
import { adcRoute, dacRoute } from '../../digital/conversion';
import { FADER_RANGE, gainKnob, onOff, selector } from '../../knobs';
import type { Speakers } from '../../monitoring/controlRoom';
import { controlRoom, controlRoomKnobs, stereo } from '../../monitoring/controlRoom';
import { numbersTo } from '../../params';
import { analogueIn, analogueOut, insideLanes } from '../../portKinds';
import { active, crosspoint, knobsAt, laneAt } from '../../routeKinds';
import type { DeskParams } from './digitalParams';
import { returnLane } from './digitalSends';

const SIDES = ['left', 'right'] as const;

interface Source {
  readonly name: string;
  readonly lanes: readonly [left: LaneKey, right: LaneKey];
}

/** Buses two by two; of an odd number the last stands on both sides. */
const pairs = (name: string, port: string, count: number): readonly Source[] =>
  numbersTo(Math.ceil(count / 2)).map((m) => {
    const [one, other] = [2 * m - 1, Math.min(2 * m, count)];
    return {
      name: one === other ? `${name} ${one}` : `${name} ${one}–${other}`,
      lanes: [laneAt(port, one), laneAt(port, other)],
    };
  });

/** What control room and studio can listen to. */
const sourcesOf = (p: DeskParams): readonly Source[] => [
  { name: 'mix', lanes: [laneAt('mix-fader', 1), laneAt('mix-fader', 2)] },
  ...pairs('group', 'group-fader', p.groups),
  ...pairs('aux', 'aux-fader', p.auxes),
  ...pairs('matrix', 'matrix-fader', p.matrices),
  ...numbersTo(p.stereoReturns).map((r): Source => ({
    name: `return ${r}`,
    lanes: [returnLane('return-fader', r, 1), returnLane('return-fader', r, 2)],
  })),
];

export const sourceNames = (p: DeskParams): readonly string[] => sourcesOf(p).map(({ name }) => name);

/** Whether there is anything talkback can go to. */
export const hasTalkback = (p: DeskParams): boolean => p.talkbackInput && (p.auxes > 0 || p.studioOutputs);

export function centreKnobs(p: DeskParams): readonly SettingSpec[] {
  const names = sourceNames(p);
  const hasTalk = hasTalkback(p);
  return [
    ...(p.speakerSets > 0 ? controlRoomKnobs(names, p.speakerSets, 0) : []),
    ...(p.studioOutputs
      ? [
          selector('studioSource', 'Studio listens to', 1, names),
          gainKnob('studioLevelDb', 'Studio level', 1, -20, { min: -80, max: 10 }),
          onOff('studioMute', 'Studio mute', 1),
        ]
      : []),
    ...(hasTalk ? [gainKnob('talkLevelDb', 'Talkback level', 1, -20, FADER_RANGE)] : []),
    ...(hasTalk && p.auxes > 0 ? [onOff('talkToAux', 'Talkback to aux', p.auxes)] : []),
    ...(hasTalk && p.studioOutputs ? [onOff('talkToStudio', 'Talkback to studio', 1)] : []),
  ];
}

const speakerNames = (s: number): readonly string[] => SIDES.map((side) => `speakers-${s}-${side}`);

export function centrePorts(p: DeskParams): readonly Port[] {
  const out = (key: string, name: string): Port =>
    analogueOut('line', { key, name }, { sourceOhm: p.outputOhm });
  const sets = numbersTo(p.speakerSets);
  return [
    ...sets.flatMap((s) => SIDES.map((side) => out(`speakers-${s}-${side}`, `speakers ${s} ${side}`))),
    ...(sets.length > 0
      ? [
          insideLanes('out', 'control-room', 'control room', 2, 'digital'),
          insideLanes('out', 'speakers-dac', 'speakers converted', 2 * sets.length, 'digital'),
        ]
      : []),
    ...(p.studioOutputs
      ? [
          ...SIDES.map((side) => out(`studio-${side}`, `studio ${side}`)),
          insideLanes('out', 'studio', 'studio before its output', 2, 'digital'),
        ]
      : []),
    ...(p.talkbackInput
      ? [
          analogueIn('line', { key: 'talkback', name: 'talkback in' }, { loadOhm: p.inputOhm }),
          insideLanes('out', 'talk', 'talkback', 1, 'digital'),
        ]
      : []),
  ];
}

/** The converters of talkback and loudspeakers have no switch: they stand at the reference the console starts with. */
const fixed =
  (p: DeskParams): ReadSetting =>
  () =>
    p.initialReferenceDbu;

function talkRoutes(p: DeskParams, read: ReadSetting): readonly Route[] {
  const levelDb = Number(read('talkLevelDb', 1));
  const to = (lane: LaneKey, channel: number, setting: string): Route =>
    crosspoint(laneAt('talk'), lane, levelDb, {
      knobs: [...knobsAt(1, 'talkLevelDb'), ...knobsAt(channel, setting)],
    });
  return [
    { ...adcRoute(p, 1, fixed(p), laneAt('talkback'), laneAt('talk')), knobs: [] },
    ...numbersTo(p.auxes)
      .filter((k) => read('talkToAux', k) === true)
      .map((k) => to(laneAt('aux', k), k, 'talkToAux')),
    ...(p.studioOutputs && read('talkToStudio', 1) === true
      ? [1, 2].map((side) => to(laneAt('studio', side), 1, 'talkToStudio'))
      : []),
  ];
}

function studioRoutes(p: DeskParams, read: ReadSetting): readonly Route[] {
  const source = sourcesOf(p)[Number(read('studioSource', 1)) - 1];
  const listens = (source?.lanes ?? []).map((lane, i) =>
    active(lane, laneAt('studio', i + 1), Number(read('studioLevelDb', 1)), {
      knobs: knobsAt(1, 'studioSource', 'studioLevelDb', 'studioMute'),
    }),
  );
  return [
    ...(read('studioMute', 1) === true ? [] : listens),
    ...SIDES.map((side, i) => ({
      ...dacRoute(p, 1, fixed(p), laneAt('studio', i + 1), laneAt(`studio-${side}`)),
      knobs: [],
    })),
  ];
}

function roomRoutes(p: DeskParams, read: ReadSetting): readonly Route[] {
  const sets = numbersTo(p.speakerSets);
  const before = (s: number): Speakers =>
    stereo(laneAt('speakers-dac', 2 * s - 1), laneAt('speakers-dac', 2 * s));
  return [
    ...controlRoom({
      sources: sourcesOf(p).map(({ lanes: [left, right] }) => stereo(left, right)),
      room: stereo(laneAt('control-room', 1), laneAt('control-room', 2)),
      sets: sets.map(before),
      read,
    }),
    ...sets.flatMap((s) =>
      speakerNames(s).map((port, i) => ({
        ...dacRoute(p, 1, fixed(p), laneAt('speakers-dac', 2 * s - 1 + i), laneAt(port)),
        knobs: [],
      })),
    ),
  ];
}

/** Talkback, studio and control room. */
export const centreRoutes = (p: DeskParams, read: ReadSetting): readonly Route[] => [
  ...(p.talkbackInput ? talkRoutes(p, read) : []),
  ...(p.studioOutputs ? studioRoutes(p, read) : []),
  ...(p.speakerSets > 0 ? roomRoutes(p, read) : []),
];

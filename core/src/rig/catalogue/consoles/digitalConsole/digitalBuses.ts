import type { Port, Route } from '../../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../../settings';
import { FADER_RANGE, gainKnob, onOff } from '../../knobs';
import { numbersTo } from '../../params';
import { insideLanes } from '../../portKinds';
import { active, crosspoint, knobsAt, laneAt } from '../../routeKinds';
import { panRoutes } from '../pan';
import { DESK_MIX } from './digitalChannel';
import type { DeskParams } from './digitalParams';
import { auxPairKnobs, DESK_PAN_LAW_DB } from './digitalSends';

/** A kind of bus with a fader and a mute for each. */
interface Masters {
  readonly bus: string;
  readonly count: number;
  readonly fader: string;
  readonly mute: string;
  readonly title: string;
}

/** Every master of the console besides the mix, whose two sides are on one. */
const mastersOf = ({ groups, auxes, matrices }: DeskParams): readonly Masters[] => {
  const all: readonly Masters[] = [
    { bus: 'group', count: groups, fader: 'groupFaderDb', mute: 'groupMute', title: 'Group' },
    { bus: 'aux', count: auxes, fader: 'auxMasterDb', mute: 'auxMute', title: 'Aux' },
    { bus: 'matrix', count: matrices, fader: 'matrixMasterDb', mute: 'matrixMute', title: 'Matrix' },
  ];
  return all.filter(({ count }) => count > 0);
};

/** What a matrix can take in, in the order of its knobs' channels: mix left and right, then the groups. */
export const matrixSources = (p: DeskParams) => [
  laneAt('mix-fader', 1),
  laneAt('mix-fader', 2),
  ...numbersTo(p.groups).map((g) => laneAt('group-fader', g)),
];

export function busKnobs(p: DeskParams): readonly SettingSpec[] {
  const sources = matrixSources(p).length;
  return [
    gainKnob('mixFaderDb', 'Mix fader', 1, 0, FADER_RANGE),
    onOff('mixMute', 'Mix mute', 1),
    ...mastersOf(p).flatMap(({ title, count, fader, mute }) => [
      gainKnob(fader, `${title} fader`, count, 0, FADER_RANGE),
      onOff(mute, `${title} mute`, count),
    ]),
    ...auxPairKnobs(p),
    ...(p.groups > 0 ? [onOff('groupToMix', 'Group to mix', p.groups)] : []),
    ...numbersTo(p.matrices).flatMap((m) => [
      onOff(`matrix${m}`, `To matrix ${m}`, sources),
      gainKnob(`matrix${m}Db`, `Level in matrix ${m}`, sources, 0, FADER_RANGE),
    ]),
  ];
}

const inside = (key: string, name: string, lanes: number): readonly Port[] =>
  lanes === 0 ? [] : [insideLanes('out', key, name, lanes, 'digital')];

export const busPorts = (p: DeskParams): readonly Port[] => [
  ...inside('mix', 'mix', 2),
  ...inside('mix-fader', 'mix after fader', 2),
  ...mastersOf(p).flatMap(({ bus, count }) => [
    ...inside(bus, bus, count),
    ...inside(`${bus}-fader`, `${bus} after fader`, count),
  ]),
  ...inside('effect-in', 'effect in', p.effects),
  ...inside('effect-out', 'effect out', p.effects),
  ...inside('effect-right', 'effect out right', p.effects),
];

function matrixRoutes(p: DeskParams, m: number, read: ReadSetting): readonly Route[] {
  return matrixSources(p).flatMap((from, i) => {
    if (read(`matrix${m}`, i + 1) !== true) return [];
    const gainDb = Number(read(`matrix${m}Db`, i + 1));
    const knobs = knobsAt(i + 1, `matrix${m}`, `matrix${m}Db`);
    return [crosspoint(from, laneAt('matrix', m), gainDb, { knobs })];
  });
}

function masterRoutes({ bus, count, fader, mute }: Masters, read: ReadSetting): readonly Route[] {
  return numbersTo(count).flatMap((k) =>
    read(mute, k) === true
      ? []
      : [
          active(laneAt(bus, k), laneAt(`${bus}-fader`, k), Number(read(fader, k)), {
            knobs: knobsAt(k, fader, mute),
          }),
        ],
  );
}

/** A pair of groups is left and right. */
const groupToMix = (g: number): readonly Route[] =>
  panRoutes({
    ...{ from: laneAt('group-fader', g), to: DESK_MIX, law: DESK_PAN_LAW_DB },
    ...{ position: g % 2 === 1 ? -100 : 100, knobs: knobsAt(g, 'groupToMix') },
  });

/** Masters, groups to mix, matrices, and the effects themselves, which take in one signal and give back two. */
export function busRoutes(p: DeskParams, read: ReadSetting): readonly Route[] {
  const mix = [1, 2].map((side) =>
    active(laneAt('mix', side), laneAt('mix-fader', side), Number(read('mixFaderDb', 1)), {
      knobs: knobsAt(1, 'mixFaderDb', 'mixMute'),
    }),
  );
  return [
    ...(read('mixMute', 1) === true ? [] : mix),
    ...mastersOf(p).flatMap((each) => masterRoutes(each, read)),
    ...numbersTo(p.groups)
      .filter((g) => read('groupToMix', g) === true)
      .flatMap(groupToMix),
    ...numbersTo(p.matrices).flatMap((m) => matrixRoutes(p, m, read)),
    ...numbersTo(p.effects).flatMap((k) =>
      ['effect-out', 'effect-right'].map((out) => active(laneAt('effect-in', k), laneAt(out, k), 0)),
    ),
  ];
}

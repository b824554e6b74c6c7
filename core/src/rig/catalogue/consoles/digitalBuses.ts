import type { Route } from '../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../settings';
import { FADER_RANGE, gainKnob, onOff } from '../knobs';
import { numbersTo } from '../params';
import { active, crosspoint, knobsAt, laneAt } from '../routeKinds';
import { DESK_MIX, DESK_PAN_LAW_DB } from './digitalChannel';
import type { DeskParams } from './digitalParams';
import { panRoutes } from './pan';

/** What a matrix can take in, in the order of its knobs' channels: mix left and right, then the groups. */
const matrixSources = (p: DeskParams) => [
  laneAt('mix-fader', 1),
  laneAt('mix-fader', 2),
  ...numbersTo(p.groups).map((g) => laneAt('group', g)),
];

export function busKnobs(p: DeskParams): readonly SettingSpec[] {
  const sources = matrixSources(p).length;
  return [
    gainKnob('mixFaderDb', 'Mix fader', 1, 0, FADER_RANGE),
    ...(p.groups > 0 ? [onOff('groupToMix', 'Group to mix', p.groups)] : []),
    ...numbersTo(p.matrices).flatMap((m) => [
      onOff(`matrix${m}`, `To matrix ${m}`, sources),
      gainKnob(`matrix${m}Db`, `Level in matrix ${m}`, sources, 0, FADER_RANGE),
    ]),
  ];
}

function matrixRoutes(p: DeskParams, m: number, read: ReadSetting): readonly Route[] {
  return matrixSources(p).flatMap((from, i) => {
    if (read(`matrix${m}`, i + 1) !== true) return [];
    const gainDb = Number(read(`matrix${m}Db`, i + 1));
    const knobs = knobsAt(i + 1, `matrix${m}`, `matrix${m}Db`);
    return [crosspoint(from, laneAt('matrix', m), gainDb, { knobs })];
  });
}

/** Masters, groups to mix, matrices, and the effects themselves. */
export function busRoutes(p: DeskParams, read: ReadSetting): readonly Route[] {
  const mixKnobs = knobsAt(1, 'mixFaderDb');
  return [
    ...[1, 2].map((side) =>
      active(laneAt('mix', side), laneAt('mix-fader', side), Number(read('mixFaderDb', 1)), {
        knobs: mixKnobs,
      }),
    ),
    ...numbersTo(p.groups)
      .filter((g) => read('groupToMix', g) === true)
      .flatMap((g) =>
        panRoutes({
          from: laneAt('group', g),
          to: DESK_MIX,
          position: g % 2 === 1 ? -100 : 100,
          law: DESK_PAN_LAW_DB,
          knobs: knobsAt(g, 'groupToMix'),
        }),
      ),
    ...numbersTo(p.matrices).flatMap((m) => matrixRoutes(p, m, read)),
    ...numbersTo(p.effects).map((k) => active(laneAt('effect-in', k), laneAt('effect-out', k), 0)),
  ];
}

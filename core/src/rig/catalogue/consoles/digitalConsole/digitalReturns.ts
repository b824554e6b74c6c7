import type { Port, Route } from '../../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../../settings';
import { FADER_RANGE, gainKnob, onOff } from '../../knobs';
import { numbersTo } from '../../params';
import { insideLanes } from '../../portKinds';
import { active, crosspoint, knobsAt, laneAt } from '../../routeKinds';
import type { DeskParams } from './digitalParams';
import { returnLane, returnSendKnobs, returnSendRoutes } from './digitalSends';

const SIDES = [1, 2] as const;

export const returnKnobs = (p: DeskParams): readonly SettingSpec[] =>
  p.stereoReturns === 0
    ? []
    : [
        gainKnob('returnFaderDb', 'Return fader', p.stereoReturns, 0, FADER_RANGE),
        onOff('returnMute', 'Return mute', p.stereoReturns),
        onOff('returnToMix', 'Return to mix', p.stereoReturns),
        ...returnSendKnobs(p),
      ];

export const returnPorts = ({ stereoReturns }: DeskParams): readonly Port[] =>
  stereoReturns === 0
    ? []
    : ['return', 'return-fader'].map((key) => ({
        ...insideLanes('out', key, key, stereoReturns * 2, 'digital'),
        laneNames: numbersTo(stereoReturns).flatMap((r) =>
          ['left', 'right'].map((side) => `return ${r} ${side}${key === 'return' ? '' : ' after fader'}`),
        ),
      }));

/** One return: both sides on one fader, to their own side of the mix. It passes the engine as a channel does. */
export function returnRoutes(p: DeskParams, r: number, read: ReadSetting): readonly Route[] {
  const fader = SIDES.map((side) =>
    active(
      returnLane('return', r, side),
      returnLane('return-fader', r, side),
      Number(read('returnFaderDb', r)),
      { knobs: knobsAt(r, 'returnFaderDb', 'returnMute'), delaySamples: p.effectLatencySamples },
    ),
  );
  const mix = SIDES.map((side) =>
    crosspoint(returnLane('return-fader', r, side), laneAt('mix', side), 0, {
      knobs: knobsAt(r, 'returnToMix'),
    }),
  );
  return [
    ...(read('returnMute', r) === true ? [] : fader),
    ...(read('returnToMix', r) === true ? mix : []),
    ...returnSendRoutes(p, r, read),
  ];
}

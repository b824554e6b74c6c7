import type { Route } from '../../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../../settings';
import { HALF_EACH_DB } from '../../../../units/panLaw';
import { FADER_RANGE, gainKnob, onOff, selector } from '../../knobs';
import { numbersTo } from '../../params';
import { crosspoint, knobsAt, laneAt } from '../../routeKinds';
import { panKnob, panRoutes } from '../pan';
import type { Muting } from '../vca';
import type { DeskParams } from './digitalParams';

export const DESK_PAN_LAW_DB = -3;
const TAPS = ['before fader', 'after fader'] as const;

/** Auxes that can be a stereo pair with the next one: 1, 3, 5. */
const pairNumbers = ({ auxes }: DeskParams): readonly number[] => numbersTo(Math.floor(auxes / 2));

/** Whether aux `k` is the left or the right side of a stereo pair. */
const isInPair = (p: DeskParams, k: number, read: ReadSetting): boolean =>
  k <= 2 * pairNumbers(p).length && read('auxStereo', Math.ceil(k / 2)) === true;

/** A pair is one send with a pan: the level is that of its odd aux. */
export const auxPairKnobs = (p: DeskParams): readonly SettingSpec[] =>
  pairNumbers(p).length === 0 ? [] : [onOff('auxStereo', 'Auxes are a stereo pair', pairNumbers(p).length)];

/** The sends of channels, with a pan for each possible pair. */
export const channelSendKnobs = (p: DeskParams): readonly SettingSpec[] => [
  ...numbersTo(p.auxes).flatMap((k) => [
    selector(`aux${k}`, `Aux ${k} from`, p.channels, TAPS),
    gainKnob(`aux${k}Db`, `Aux ${k} level`, p.channels, 0, FADER_RANGE),
  ]),
  ...pairNumbers(p).map((m) => panKnob(`aux${2 * m - 1}Pan`, `Aux ${2 * m - 1}–${2 * m} pan`, p.channels)),
];

export const returnSendKnobs = (p: DeskParams): readonly SettingSpec[] =>
  p.stereoReturns === 0
    ? []
    : numbersTo(p.auxes).flatMap((k) => [
        selector(`returnAux${k}`, `Return to aux ${k} from`, p.stereoReturns, TAPS),
        gainKnob(`returnAux${k}Db`, `Return level in aux ${k}`, p.stereoReturns, 0, FADER_RANGE),
      ]);

/** Whether the tap of a send is silenced by the mute of its channel: after the fader by the fader itself. */
const isCut = ({ muteCutsPreSends }: DeskParams, tap: number, isMuted: boolean): boolean =>
  tap === 1 && muteCutsPreSends && isMuted;

/** The sends of one channel. */
export function channelSendRoutes(
  p: DeskParams,
  n: number,
  read: ReadSetting,
  mute: Muting,
): readonly Route[] {
  return numbersTo(p.auxes).flatMap((k) => {
    const tap = Number(read(`aux${k}`, n));
    const stereo = isInPair(p, k, read);
    if (tap === 0 || (stereo && k % 2 === 0) || isCut(p, tap, mute.isMuted)) return [];
    const from = laneAt(tap === 1 ? 'processed' : 'fader', n);
    const levelDb = Number(read(`aux${k}Db`, n));
    const own = knobsAt(n, `aux${k}`, `aux${k}Db`);
    const knobs = tap === 1 && p.muteCutsPreSends ? [...own, ...mute.knobs] : own;
    if (!stereo) return [crosspoint(from, laneAt('aux', k), levelDb, { knobs })];
    return panRoutes({
      ...{ from, to: [laneAt('aux', k), laneAt('aux', k + 1)], levelDb },
      ...{ position: Number(read(`aux${k}Pan`, n)), law: DESK_PAN_LAW_DB },
      knobs: [...knobs, ...knobsAt(n, `aux${k}Pan`)],
    });
  });
}

/** The lanes of a return: left and right of each beside one another. */
export const returnLane = (port: string, r: number, side: 1 | 2): ReturnType<typeof laneAt> =>
  laneAt(port, (r - 1) * 2 + side);

/** The sends of one stereo return: side to side in a pair, both sides at half voltage in a single aux. */
export function returnSendRoutes(p: DeskParams, r: number, read: ReadSetting): readonly Route[] {
  return numbersTo(p.auxes).flatMap((k) => {
    const tap = Number(read(`returnAux${k}`, r));
    const stereo = isInPair(p, k, read);
    if (tap === 0 || (stereo && k % 2 === 0) || isCut(p, tap, read('returnMute', r) === true)) return [];
    const levelDb = Number(read(`returnAux${k}Db`, r));
    const mutes = tap === 1 && p.muteCutsPreSends ? ['returnMute'] : [];
    const knobs = knobsAt(r, `returnAux${k}`, `returnAux${k}Db`, ...mutes);
    return ([1, 2] as const).map((side) => {
      const from = returnLane(tap === 1 ? 'return' : 'return-fader', r, side);
      const to = laneAt('aux', stereo ? k + side - 1 : k);
      return crosspoint(from, to, levelDb + (stereo ? 0 : HALF_EACH_DB), { knobs });
    });
  });
}

import type { Route } from '../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../settings';
import { FADER_RANGE, gainKnob, onOff, selector, TRIM_RANGE } from '../knobs';
import { numbersTo } from '../params';
import { active, crosspoint, knobsAt, laneAt } from '../routeKinds';
import type { DeskParams } from './digitalParams';
import { panKnob, panRoutes } from './pan';

const TAPS = ['before fader', 'after fader'] as const;
const TAP_LANES = ['processed', 'fader'] as const;
export const DESK_PAN_LAW_DB = -3;
export const DESK_MIX = [laneAt('mix', 1), laneAt('mix', 2)] as const;

const effectNames = ({ effects }: DeskParams): readonly string[] =>
  numbersTo(effects).map((k) => `effect ${k}`);

export function deskChannelKnobs(p: DeskParams): readonly SettingSpec[] {
  const { channels } = p;
  return [
    selector('channelInsert', 'Effect inserted', channels, effectNames(p)),
    gainKnob('trimDb', 'Digital trim', channels, 0, TRIM_RANGE),
    gainKnob('faderDb', 'Fader', channels, 0, FADER_RANGE),
    onOff('mute', 'Mute', channels),
    panKnob('pan', 'Pan', channels),
    onOff('toMix', 'To mix', channels),
    ...numbersTo(p.groups).map((g) => onOff(`group${g}`, `To group ${g}`, channels)),
    ...numbersTo(p.auxes).flatMap((k) => [
      selector(`aux${k}`, `Aux ${k} from`, channels, TAPS),
      gainKnob(`aux${k}Db`, `Aux ${k} level`, channels, 0, FADER_RANGE),
    ]),
  ];
}

/**
 * Through the inserted effect, or past it. Every path through the engine passes a channel, so its delay lies here;
 * what comes back from an effect to another channel passes the engine once more.
 */
function insertRoutes(p: DeskParams, n: number, read: ReadSetting): readonly Route[] {
  const effect = Number(read('channelInsert', n));
  const gainDb = Number(read('trimDb', n));
  const engine = { knobs: knobsAt(n, 'channelInsert', 'trimDb'), delaySamples: p.effectLatencySamples };
  const { knobs } = engine;
  if (effect === 0) return [active(laneAt('channel', n), laneAt('processed', n), gainDb, engine)];
  return [
    crosspoint(laneAt('channel', n), laneAt('effect-in', effect), gainDb, engine),
    crosspoint(laneAt('effect-out', effect), laneAt('processed', n), 0, { knobs }),
  ];
}

function sendRoutes(p: DeskParams, n: number, read: ReadSetting): readonly Route[] {
  const groups = numbersTo(p.groups)
    .filter((g) => read(`group${g}`, n) === true)
    .map((g) => crosspoint(laneAt('fader', n), laneAt('group', g), 0, { knobs: knobsAt(n, `group${g}`) }));
  const auxes = numbersTo(p.auxes).flatMap((k) => {
    const tap = TAP_LANES[Number(read(`aux${k}`, n)) - 1];
    if (tap === undefined) return [];
    const knobs = knobsAt(n, `aux${k}`, `aux${k}Db`);
    return [crosspoint(laneAt(tap, n), laneAt('aux', k), Number(read(`aux${k}Db`, n)), { knobs })];
  });
  return [...groups, ...auxes];
}

/** One channel from its source to the buses. */
export function deskChannelRoutes(p: DeskParams, n: number, read: ReadSetting): readonly Route[] {
  const fader = active(laneAt('processed', n), laneAt('fader', n), Number(read('faderDb', n)), {
    knobs: knobsAt(n, 'faderDb', 'mute'),
  });
  const mix = panRoutes({
    from: laneAt('fader', n),
    to: DESK_MIX,
    position: Number(read('pan', n)),
    law: DESK_PAN_LAW_DB,
    knobs: knobsAt(n, 'toMix', 'pan'),
  });
  return [
    ...insertRoutes(p, n, read),
    ...(read('mute', n) === true ? [] : [fader]),
    ...(read('toMix', n) === true ? mix : []),
    ...sendRoutes(p, n, read),
  ];
}

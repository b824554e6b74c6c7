import type { Route } from '../../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../../settings';
import { FADER_RANGE, gainKnob, onOff, selector, TRIM_RANGE } from '../../knobs';
import { numbersTo } from '../../params';
import { active, crosspoint, knobsAt, laneAt } from '../../routeKinds';
import { panKnob, panRoutes } from '../pan';
import { followedVca, vcaKnobs } from '../vca';
import type { DeskParams } from './digitalParams';
import { channelSendKnobs, channelSendRoutes, DESK_PAN_LAW_DB } from './digitalSends';

export const DESK_MIX = [laneAt('mix', 1), laneAt('mix', 2)] as const;

const effectNames = ({ effects }: DeskParams): readonly string[] =>
  numbersTo(effects).map((k) => `effect ${k}`);

export function deskChannelKnobs(p: DeskParams): readonly SettingSpec[] {
  const { channels } = p;
  return [
    selector('channelInsert', 'Effect inserted', channels, effectNames(p)),
    gainKnob('trimDb', 'Digital trim', channels, 0, TRIM_RANGE),
    onOff('eqIn', 'Equaliser in', channels),
    gainKnob('eqGainDb', 'Equaliser net gain', channels, 0, TRIM_RANGE),
    onOff('dynamicsIn', 'Dynamics in', channels),
    gainKnob('dynamicsGainDb', 'Dynamics net gain', channels, 0, TRIM_RANGE),
    gainKnob('faderDb', 'Fader', channels, 0, FADER_RANGE),
    onOff('mute', 'Mute', channels),
    panKnob('pan', 'Pan', channels),
    onOff('toMix', 'To mix', channels),
    ...vcaKnobs(p.vcas, channels),
    ...numbersTo(p.groups).map((g) => onOff(`group${g}`, `To group ${g}`, channels)),
    ...channelSendKnobs(p),
  ];
}

/** What equaliser and dynamics that are in do to a level: their net gain at the level one works with. */
function processingDb(n: number, read: ReadSetting): number {
  const of = (switched: string, gain: string): number =>
    read(switched, n) === true ? Number(read(gain, n)) : 0;
  return of('eqIn', 'eqGainDb') + of('dynamicsIn', 'dynamicsGainDb');
}

/**
 * Through the inserted effect, or past it, then equaliser and dynamics. Every path through the engine passes a
 * channel, so its delay lies here; what comes back from an effect to another channel passes the engine once more.
 */
function insertRoutes(p: DeskParams, n: number, read: ReadSetting): readonly Route[] {
  const effect = Number(read('channelInsert', n));
  const trimDb = Number(read('trimDb', n));
  const processed = processingDb(n, read);
  const [head, tail] = [
    knobsAt(n, 'channelInsert', 'trimDb'),
    knobsAt(n, 'eqIn', 'eqGainDb', 'dynamicsIn', 'dynamicsGainDb'),
  ];
  const delaySamples = p.effectLatencySamples;
  if (effect === 0)
    return [
      active(laneAt('channel', n), laneAt('processed', n), trimDb + processed, {
        ...{ knobs: [...head, ...tail], delaySamples },
      }),
    ];
  return [
    crosspoint(laneAt('channel', n), laneAt('effect-in', effect), trimDb, { knobs: head, delaySamples }),
    crosspoint(laneAt('effect-out', effect), laneAt('processed', n), processed, {
      knobs: [...knobsAt(n, 'channelInsert'), ...tail],
    }),
  ];
}

const groupRoutes = (p: DeskParams, n: number, read: ReadSetting): readonly Route[] =>
  numbersTo(p.groups)
    .filter((g) => read(`group${g}`, n) === true)
    .map((g) => crosspoint(laneAt('fader', n), laneAt('group', g), 0, { knobs: knobsAt(n, `group${g}`) }));

/** One channel from its source to the buses. */
export function deskChannelRoutes(p: DeskParams, n: number, read: ReadSetting): readonly Route[] {
  const vca = followedVca(p.vcas, n, read);
  const mute = {
    isMuted: read('mute', n) === true || vca.isMuted,
    knobs: [...knobsAt(n, 'mute'), ...vca.knobs],
  };
  const fader = active(laneAt('processed', n), laneAt('fader', n), Number(read('faderDb', n)) + vca.gainDb, {
    knobs: [...knobsAt(n, 'faderDb'), ...mute.knobs],
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
    ...(mute.isMuted ? [] : [fader]),
    ...(read('toMix', n) === true ? mix : []),
    ...groupRoutes(p, n, read),
    ...channelSendRoutes(p, n, read, mute),
  ];
}

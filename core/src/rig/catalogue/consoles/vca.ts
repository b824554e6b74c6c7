import type { KnobRef } from '../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../settings';
import { FADER_RANGE, gainKnob, onOff, selector } from '../knobs';
import { numbersTo } from '../params';
import { knobsAt } from '../routeKinds';

/** Which VCA each channel follows, and the VCAs' own faders. No sound passes a VCA: it turns the channels' faders. */
export const vcaKnobs = (vcas: number, channels: number): readonly SettingSpec[] =>
  vcas === 0
    ? []
    : [
        selector(
          'vca',
          'Follows VCA',
          channels,
          numbersTo(vcas).map((v) => `VCA ${v}`),
        ),
        gainKnob('vcaDb', 'VCA', vcas, 0, FADER_RANGE),
        onOff('vcaMute', 'VCA mute', vcas),
      ];

/** A mute with the switches that make it. */
export interface Muting {
  readonly isMuted: boolean;
  readonly knobs: readonly KnobRef[];
}

/** What a channel's VCA does to it. */
export interface Followed extends Muting {
  readonly gainDb: number;
}

const ALONE: Followed = { gainDb: 0, isMuted: false, knobs: [] };

export function followedVca(vcas: number, channel: number, read: ReadSetting): Followed {
  if (vcas === 0) return ALONE;
  const knobs = knobsAt(channel, 'vca');
  const v = Number(read('vca', channel));
  if (v === 0) return { ...ALONE, knobs };
  return {
    gainDb: Number(read('vcaDb', v)),
    isMuted: read('vcaMute', v) === true,
    knobs: [...knobs, ...knobsAt(v, 'vcaDb', 'vcaMute')],
  };
}

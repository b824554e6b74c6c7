import { amplifierBehind } from '../graph/amplifierBehind';
import type { GraphStation } from '../graph/signalGraph';
import { knobOf, standsAt } from '../repatch/knobs';
import type { SettingKey, SettingValue } from '../rig/settings';
import { settingKeyOf } from '../rig/settings';
import type { CheckedChannel, CheckUp } from './checkUp';

/** A knob of a channel that was turned in playback and stands otherwise live. */
export interface HeldKnob {
  readonly channel: CheckedChannel;
  readonly key: SettingKey;
  /** Live, and in playback; of a trim, how far a gain stands for it already. */
  readonly from: SettingValue;
  readonly to: SettingValue;
}

/** A digital trim that was turned in playback, and the preamp gain that would do the same on stage. */
export interface HeldTrim extends HeldKnob {
  readonly from: number;
  readonly to: number;
  readonly station: GraphStation;
  readonly gain: { readonly key: SettingKey; readonly from: number; readonly to: number };
  /** The gain ends before that. */
  readonly isOutOfRange: boolean;
}

/** Knobs of an amplifier that do nothing to what is recorded already. 48 V is no wish: it is looked at where it is switched. */
const OF_THE_AMPLIFIER = ['gainDb', 'pad'];

const amplifierOf = ({ live }: CheckUp, channel: CheckedChannel): GraphStation | undefined =>
  amplifierBehind(live.graph, channel.live.lane);

function differs(up: CheckUp, channel: CheckedChannel, key: SettingKey): HeldKnob | undefined {
  const knob = knobOf(up.live.rig, key);
  if (knob === undefined) return undefined;
  const [from, to] = [up.live, up.playback].map(({ scene }) => standsAt(knob, scene.settings[key]));
  return from === undefined || to === undefined || from === to ? undefined : { channel, key, from, to };
}

/** Gains and pads turned while a recording played: wanted on stage, since they did nothing to what was heard. */
export function gainsHeld(up: CheckUp): readonly HeldKnob[] {
  const seen = new Set<SettingKey>();
  return up.channels.flatMap((channel) => {
    const station = amplifierOf(up, channel);
    if (station === undefined) return [];
    return OF_THE_AMPLIFIER.flatMap((setting) => {
      const key = settingKeyOf(station.device, setting, station.channel);
      const held = seen.has(key) ? undefined : differs(up, channel, key);
      seen.add(key);
      return held ?? [];
    });
  });
}

/** Digital trims turned in playback, on channels that have an amplifier in front. */
export function trimsHeld(up: CheckUp): readonly HeldTrim[] {
  return up.channels.flatMap((channel): HeldTrim[] => {
    const cell = channel.row.cells['trim'];
    const station = amplifierOf(up, channel);
    if (cell?.kind !== 'knob' || station === undefined) return [];
    const held = differs(up, channel, settingKeyOf(up.console.id, cell.knob.setting, cell.knob.channel));
    const key = settingKeyOf(station.device, 'gainDb', station.channel);
    const gain = knobOf(up.live.rig, key);
    const stands = gain && standsAt(gain, up.live.scene.settings[key]);
    if (held === undefined || gain === undefined || typeof stands !== 'number') return [];
    const from = up.check.carried?.[held.key] ?? Number(held.from);
    const to = Number(held.to);
    if (from === to) return [];
    const wanted = stands + to - from;
    const { min = -Infinity, max = Infinity } = gain.spec.range ?? {};
    return [
      {
        ...{ channel, key: held.key, from, to, station },
        gain: { key, from: stands, to: Math.min(max, Math.max(min, wanted)) },
        isOutOfRange: wanted < min || wanted > max,
      },
    ];
  });
}

import { checksOf } from '../../playback/checksOf';
import type { HeldKnob } from '../../playback/gainsHeld';
import { gainsHeld } from '../../playback/gainsHeld';
import type { CheckUp } from '../../playback/checkUp';
import { partsOfSettingKey } from '../../rig/settings';
import type { EntityRef } from '../../session/entityRef';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

function finding({ live }: CheckUp, { channel, key, from, to }: HeldKnob): Finding {
  const lane = live.graph.lanes[channel.live.lane];
  const at: readonly EntityRef[] = lane === undefined ? [] : [{ kind: 'lane', id: lane.id }];
  const { deviceId, setting } = partsOfSettingKey(key);
  return {
    rule: 'gain-not-carried',
    at: [{ kind: 'device', id: deviceId }, ...at],
    figures: { setting: setting === 'pad' ? 'pad' : 'gain', from: Number(from), to: Number(to) },
  };
}

const run = (context: WorkedScene): readonly Finding[] =>
  checksOf(context).flatMap(({ up }) => gainsHeld(up).map((held) => finding(up, held)));

export const gainNotCarried: Rule = {
  id: 'gain-not-carried',
  title: 'Gain changed while a recording played',
  severity: 'warning',
  stage: 'track',
  why: 'The gain of a microphone does nothing to what is recorded already. Changed in playback it is not heard, and lost, or a surprise, when the microphones are open again.',
  limits:
    'Gain and pad of the amplifiers in front of the channels of a playback check. Digital trims, which do act on a recording, are offered as gains on the page and are no finding.',
  run,
};

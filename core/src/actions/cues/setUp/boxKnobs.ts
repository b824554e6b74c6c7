import { earInputs } from '../../../cues/earInputs';
import { earSides } from '../../../cues/earSides';
import { volumeOf } from '../../../cues/volume';
import { START } from '../../../consoles/ready/readyLine';
import { edgesInto } from '../../../graph/walk';
import { knobReader, settingsOf } from '../../../rig/buildDevice';
import type { DeviceId } from '../../../rig/ids';
import { deviceIdIn } from '../../../rig/ids';
import type { SettingKey, SettingValue } from '../../../rig/settings';
import { settingKeyOf } from '../../../rig/settings';
import type { WorkedScene } from '../../../scene/workedScene';
import type { CueLeg } from './cueLines';

/** Knobs of boxes and amplifiers, and where each is to stand. */
export type BoxKnobs = ReadonlyMap<SettingKey, SettingValue>;

/** The volume of each pair all the way down, as it stays until a level is heard. */
export const volumesDown = (context: WorkedScene, headphones: readonly DeviceId[]): BoxKnobs =>
  new Map(
    headphones.flatMap((id) => {
      const volume = volumeOf(context, id);
      return (volume?.sides ?? []).map(
        ({ knob }) =>
          [settingKeyOf(volume?.device.id ?? id, knob.setting, knob.channel), volume?.min ?? 0] as const,
      );
    }),
  );

/** Level knobs on the way that are not the volume itself: at 12 o'clock. */
export function amplifiersAtNoon(context: WorkedScene, headphones: readonly DeviceId[]): BoxKnobs {
  const { graph, devices, scene } = context;
  const knobs = new Map<SettingKey, SettingValue>();
  for (const id of headphones) {
    const volume = volumeOf(context, id);
    const [side] = earSides(graph, id);
    const stop = new Set(earInputs(context, side).lanes);
    const seen = new Set([side]);
    for (const at of seen) {
      if (stop.has(at)) continue;
      for (const edge of edgesInto(graph, at)) {
        seen.add(edge.from);
        const device = devices.get(graph.lanes[edge.from]?.device ?? ('' as DeviceId));
        if (device === undefined || device === volume?.device) continue;
        for (const { setting, channel } of edge.knobs ?? []) {
          const isLevel = settingsOf(device).find((spec) => spec.setting === setting)?.unit === 'dB';
          const now = knobReader(device, scene.settings)(setting, channel);
          if (isLevel && now !== START.noonDb)
            knobs.set(settingKeyOf(device.id, setting, channel), START.noonDb);
        }
      }
    }
  }
  return knobs;
}

/** Which input of a performer's own mixer each leg comes to, and all others out of its mix. */
export function ownMixers({ devices }: WorkedScene, legs: readonly CueLeg[]): BoxKnobs {
  const knobs = new Map<SettingKey, SettingValue>();
  for (const { to, side } of legs) {
    const device = devices.get(deviceIdIn(to));
    if (device?.type !== 'headphoneBox') continue;
    const [, port = '', lane = '0'] = to.split('/');
    if (port !== 'link-in') continue;
    const key = (setting: string, channel: number): SettingKey => settingKeyOf(device.id, setting, channel);
    const channels = settingsOf(device).find(({ setting }) => setting === 'cueTo')?.channels ?? 0;
    for (let n = 1; n <= channels; n++) if (!knobs.has(key('cueTo', n))) knobs.set(key('cueTo', n), 0);
    knobs.set(key('cueTo', Number(lane)), side + 1);
    knobs.set(key('cueDb', Number(lane)), 0);
  }
  return knobs;
}

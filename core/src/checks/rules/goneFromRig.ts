import { settingsOf } from '../../rig/buildDevice';
import type { CordId, DeviceId, ThreadId } from '../../rig/ids';
import type { SettingKey } from '../../rig/settings';
import { partsOfSettingKey } from '../../rig/settings';
import { indexRig } from '../../session/rigIndex';
import { settingBreaks } from '../../session/sceneProblems';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { EntityRef } from '../../session/entityRef';
import type { Rule } from '../rule';

/** Knobs of units that are there, set as they cannot be set, by unit. */
function knobsLost({ rig, scene }: WorkedScene): readonly Finding[] {
  const devices = new Map(rig.devices.map((device) => [device.id, device]));
  const byDevice = new Map<DeviceId, string[]>();
  for (const problem of settingBreaks(scene, [], indexRig(rig))) {
    if (!('id' in problem)) continue;
    const { deviceId, setting, channel } = partsOfSettingKey(problem.id as SettingKey);
    const device = devices.get(deviceId);
    if (device === undefined) continue;
    const title = settingsOf(device).find((spec) => spec.setting === setting)?.title ?? setting;
    byDevice.set(deviceId, [...(byDevice.get(deviceId) ?? []), `${title} ${channel}`]);
  }
  return [...byDevice].map(([id, knobs]) => ({
    rule: 'gone-from-rig',
    at: [{ kind: 'device', id }],
    figures: { gone: [], knobs },
  }));
}

const run = (context: WorkedScene): readonly Finding[] => {
  const { threads, scene, gone } = context;
  const found = (id: ThreadId | CordId, at: EntityRef): readonly Finding[] => {
    const ids = gone.get(id);
    return ids === undefined ? [] : [{ rule: 'gone-from-rig', at: [at], figures: { gone: ids, knobs: [] } }];
  };
  return [
    ...threads.flatMap(({ thread }) => found(thread.id, { kind: 'thread', id: thread.id })),
    ...scene.cords.flatMap((cord) => found(cord.id, { kind: 'cord', id: cord.id })),
    ...knobsLost(context),
  ];
};

export const goneFromRig: Rule = {
  id: 'gone-from-rig',
  title: 'Planned on gear that is gone',
  severity: 'error',
  stage: 'track',
  why: 'A thread, cord or knob that was planned on a unit, a jack or a kind of cord that has left the rig cannot be patched or set.',
  limits:
    'Knobs of units that are gone whole are kept in the scene and not reported: they are back when the unit is.',
  run,
};

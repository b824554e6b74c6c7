import { knobOf, standsAt } from '../../repatch/knobs';
import { knobText, knobTitle } from '../../rig/knobText';
import type { SettingKey, SettingValue } from '../../rig/settings';
import { initialOf } from '../../rig/settings';
import type { Edit } from '../../edits/make';
import type { SceneId } from '../../rig/ids';
import { findScene } from '../../session/scenePlace';
import type { ChannelChange } from '../consoles/channelPlan';
import { settingSet } from '../patchEdits';
import type { WorkPlace } from '../workPlace';

/** A knob turned in a scene, and how a reader sees it; nothing where it stands so already. */
export interface KnobTurn {
  readonly edits: readonly Edit[];
  readonly change?: ChannelChange;
}

/** Turns a knob of any scene of the session. */
export function knobTurn(
  { studio, place: { session } }: WorkPlace,
  scene: SceneId,
  key: SettingKey,
  value: SettingValue,
): KnobTurn {
  const found = findScene(studio, { session, scene });
  const knob = knobOf(studio.rig, key);
  if (found === undefined || knob === undefined) return { edits: [] };
  const { device, spec, channel } = knob;
  const stands = standsAt(knob, found.scene.settings[key]);
  if (stands === value) return { edits: [] };
  const stored = initialOf(spec, channel) === value ? null : value;
  return {
    edits: [settingSet({ session, scene }, found.scene, key, stored)],
    change: {
      ...{ row: device.name, column: knobTitle(spec, channel) },
      ...{ from: knobText(spec, stands), to: knobText(spec, value) },
    },
  };
}

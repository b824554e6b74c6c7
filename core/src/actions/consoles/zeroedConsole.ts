import { applyEdits } from '../../edits/change';
import type { Edit } from '../../edits/make';
import type { DeviceId } from '../../rig/ids';
import type { SettingKey } from '../../rig/settings';
import { partsOfSettingKey } from '../../rig/settings';
import type { ScenePlace } from '../../session/scenePlace';
import { findScene } from '../../session/scenePlace';
import type { Scene } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import { freeName } from '../../text/freeName';
import { settingSet } from '../patchEdits';
import { newSceneEdits } from '../scenes/sceneEdits';

/** The knobs of a device that a scene has turned. */
export const turnedOn = ({ settings }: Scene, device: DeviceId): readonly SettingKey[] =>
  (Object.keys(settings) as SettingKey[]).filter((key) => partsOfSettingKey(key).deviceId === device);

/** A console all at its initial state, and the scene its present state was stored in. */
export interface ZeroedConsole {
  readonly edits: readonly Edit[];
  readonly stored: string;
  readonly knobs: number;
}

/** Stores the present state as a scene, then puts every knob of a device back to where it stands at first. */
export function zeroedConsole(
  studio: Studio,
  place: ScenePlace,
  device: DeviceId,
): ZeroedConsole | undefined {
  const found = findScene(studio, place);
  const name = studio.rig.devices.find(({ id }) => id === device)?.name;
  if (found === undefined || name === undefined) return undefined;
  const { session, scene } = found;
  const stored = freeName(
    `${scene.name}, ${name} before zeroing`,
    new Set(session.scenes.map((each) => each.name.toLowerCase())),
  );
  const kept = newSceneEdits(studio, place, stored, 'copy');
  const after = kept && applyEdits(studio, kept.edits);
  if (kept === undefined || after?.ok !== true) return undefined;
  const keys = turnedOn(scene, device);
  return {
    edits: [...kept.edits, ...keys.map((key) => settingSet(place, scene, key, null))],
    stored,
    knobs: keys.length,
  };
}

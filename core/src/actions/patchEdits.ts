import type { Edit } from '../edits/make';
import { editAdd, editKnob, editRemove } from '../edits/make';
import type { SettingKey, SettingValue } from '../rig/settings';
import type { NewSettings } from '../routing/patch';
import type { Cord, Scene } from '../session/sessionSchema';
import type { ScenePlace } from '../session/scenePlace';

/** Turns a knob of a scene. */
export function settingSet(
  place: ScenePlace,
  scene: Scene,
  key: SettingKey,
  value: SettingValue | null,
): Edit {
  return editKnob(place, { key, value, was: scene.settings[key] ?? null });
}

/** The edits from one set of cords to another: pulls before plugs, so that a jack is free when it is needed. */
function cordEdits(place: ScenePlace, before: readonly Cord[], after: readonly Cord[]): readonly Edit[] {
  const kept = new Set(after.filter((cord) => before.includes(cord)).map((cord) => cord.id));
  return [
    ...before.filter((cord) => !kept.has(cord.id)).map((cord) => editRemove('cord', place, cord.id, cord)),
    ...after.filter((cord) => !kept.has(cord.id)).map((cord) => editAdd('cord', place, cord)),
  ];
}

/** The edits that give a scene other cords and turn some of its knobs. */
export const patchEdits = (
  place: ScenePlace,
  scene: Scene,
  cords: readonly Cord[],
  settings: NewSettings,
): readonly Edit[] => [
  ...cordEdits(place, scene.cords, cords),
  ...(Object.entries(settings) as [SettingKey, SettingValue | null][]).map(([key, value]) =>
    settingSet(place, scene, key, value),
  ),
];

import { applyEdits } from '../edits/change';
import type { Edit } from '../edits/make';
import type { WorkedScene } from '../scene/workedScene';
import { workedSceneAfter } from '../scene/workedSceneAfter';
import type { ScenePlace } from '../session/scenePlace';
import { findScene } from '../session/scenePlace';
import type { Studio } from '../session/studioSchema';

/** What cues are worked on in. */
export interface WorkPlace {
  readonly studio: Studio;
  readonly place: ScenePlace;
  readonly context: WorkedScene;
}

/** The same place once some edits are made; undefined where they do not hold together. */
export function workPlaceAfter(it: WorkPlace, edits: readonly Edit[]): WorkPlace | undefined {
  if (edits.length === 0) return it;
  const made = applyEdits(it.studio, edits);
  const found = made.ok ? findScene(made.value, it.place) : undefined;
  if (!made.ok || found === undefined) return undefined;
  const { rig, floor } = made.value;
  const context = workedSceneAfter(it.context, rig, found.session, found.scene, floor);
  return { studio: made.value, place: it.place, context };
}

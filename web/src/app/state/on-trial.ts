import { inScene } from '@ft/core/edits/shelf';
import type { ScenePlace } from '@ft/core/plan/scenePlace';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Trial } from './plan.feature';

/** The studio as it would be with a knob of the scene turned; the same object where none is on trial. */
export const onTrial = (studio: Studio, place: ScenePlace, trial: Trial | null): Studio =>
  trial === null
    ? studio
    : inScene(studio, place, (scene) => ({
        ...scene,
        settings: { ...scene.settings, [trial.key]: trial.value },
      }));

import type { WorkedScene } from '@ft/core/scene/workedScene';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import type { Studio } from '@ft/core/session/studioSchema';

/** The state a worker keeps between calls: the scene it last planned. */
export interface WorkerState {
  readonly studio: Studio;
  readonly place: ScenePlace;
  readonly context: WorkedScene;
}

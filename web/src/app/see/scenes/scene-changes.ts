import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { movedSceneEdits } from '@ft/core/actions/scenes/sceneCell';
import type { LineInScene, SceneStart } from '@ft/core/actions/scenes/sceneEdits';
import type { Scene, Thread } from '@ft/core/session/sessionSchema';
import { threadName } from '@ft/core/session/threadName';
import { cellsLabel } from '../../state/enter-cells';
import { studioFeature } from '../../state/studio.feature';
import type { SheetEntry, SheetWay } from '../../ui/sheet/sheet-column';
import { Changes } from '../../state/changes';

/** Turns what a person does with scenes into changes. */
@Injectable({ providedIn: 'root' })
export class SceneChanges {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);

  /** Makes a scene of the one at the top. */
  async make(name: string, start: SceneStart): Promise<void> {
    const label = `Add scene ${name}`;
    const made = await this.changes.worked(label, (api) => api.newScene(name, start));
    if (made !== undefined) this.changes.make(label, made.edits);
  }

  /** Says that the scene at the top is on the floor as it is. */
  async markOnFloor(scene: Scene): Promise<void> {
    await this.changes.work(`${scene.name} is on the floor`, (api) =>
      api.markOnFloor(false, new Date().toISOString()),
    );
  }

  /** Puts a scene further down the list, or up where `by` is negative. */
  move(scene: Scene, by: number): void {
    const session = this.found()?.session;
    const edits = session === undefined ? [] : movedSceneEdits(session, scene.id, by);
    if (edits.length > 0)
      this.changes.make(`${scene.name} put ${by > 0 ? 'further down' : 'further up'}`, edits);
  }

  /** Brings lines into scenes, and takes them out. */
  async include(
    wanted: readonly LineInScene[],
    entries: readonly SheetEntry<Thread>[],
    way: SheetWay,
  ): Promise<void> {
    const [first] = entries;
    if (first === undefined || wanted.length === 0) return;
    const [name, scene] = [threadName(first.row), first.column.title];
    const label =
      wanted.length === 1
        ? `${name} ${wanted[0]?.isIn === true ? 'into' : 'out of'} ${scene}`
        : `Lines by scene: ${cellsLabel(wanted.length, way)}`;
    await this.changes.work(label, (api) => api.linesInScenes(wanted));
  }
}

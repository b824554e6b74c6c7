import type { FieldChange } from '@ft/core/edits/make';
import { editSet } from '@ft/core/edits/make';
import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { LineInScene, SceneStart } from '@ft/core/actions/scenes/sceneEdits';
import type { SceneId } from '@ft/core/rig/ids';
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

  /** Makes a scene of the one at the top. @returns its id, or undefined where nothing was made. */
  async make(name: string, start: SceneStart): Promise<SceneId | undefined> {
    const label = `Add scene ${name.trim()}`;
    const made =
      name.trim() === ''
        ? undefined
        : await this.changes.worked(label, (api) => api.newScene(name.trim(), start));
    if (made === undefined) {
      const text = 'No scene was made: type a name for it first.';
      this.changes.complain(text);
      return undefined;
    }
    this.changes.make(label, made.edits);
    return made.id;
  }

  /** Says that the scene at the top is on the floor as it is. */
  async markOnFloor(scene: Scene): Promise<void> {
    await this.changes.work(`${scene.name} is on the floor`, (api) => api.markOnFloor(false));
  }

  rename(scene: Scene, typed: string): void {
    const name = typed.trim();
    if (name !== '' && name !== scene.name)
      this.set(scene, { field: 'name', value: name, was: scene.name }, `Rename scene to ${name}`);
  }

  /** @param base null lets the scene stand alone. */
  follow(scene: Scene, base: Scene | null): void {
    const label = base === null ? `${scene.name} stands alone` : `${scene.name} follows ${base.name}`;
    const was = scene.follows ?? null;
    this.set(scene, { field: 'follows', value: base?.id ?? null, was }, label);
  }

  archive(scene: Scene, isAway: boolean): void {
    const label = isAway ? `Put ${scene.name} away` : `Bring ${scene.name} back`;
    const was = scene.archived ?? null;
    this.set(scene, { field: 'archived', value: isAway ? true : null, was }, label);
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

  private set(scene: Scene, change: FieldChange<'scene'>, label: string): void {
    const session = this.found()?.session.id;
    if (session === undefined) return;
    const edit = editSet('scene', { session }, scene.id, change);
    this.changes.make(label, [edit]);
  }
}

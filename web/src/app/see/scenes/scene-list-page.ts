import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { SceneStart } from '@ft/core/actions/scenes/sceneEdits';
import { followedBy } from '@ft/core/session/followProblems';
import type { Scene } from '@ft/core/session/sessionSchema';
import { threadsIn } from '@ft/core/session/sessionSchema';
import { studioFeature } from '../../state/studio.feature';
import { SceneChanges } from './scene-changes';
import { Here } from '../../shell/here';
import { PartPage } from '../../shell/part';

/** A scene as a row. */
interface SceneRow {
  readonly scene: Scene;
  readonly lines: number;
  readonly isHere: boolean;
  readonly isOnFloor: boolean;
  /** Scenes it could follow: not itself, and none that follows it. */
  readonly bases: readonly Scene[];
}

const STARTS: readonly { readonly start: SceneStart; readonly name: string }[] = [
  { start: 'branch', name: 'following it' },
  { start: 'copy', name: 'as a copy that stands alone' },
  { start: 'empty', name: 'with nothing plugged' },
];

/** The scenes as a table, and the line that makes another one. */
@Component({
  selector: 'ft-scene-list-page',
  imports: [PartPage],
  templateUrl: './scene-list-page.html',
  styles: `
    .add {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.4rem 0.8rem;
      padding: 0.6rem 0.75rem;
    }
    td button {
      margin-right: 0.4rem;
    }
    tr.here td {
      background: var(--ft-select);
    }
    tr.away {
      color: var(--ft-quiet);
    }
    .hint {
      padding: 0 0.75rem;
      max-width: 60rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SceneListPage {
  private readonly store = inject(Store);
  private readonly here = inject(Here);
  protected readonly changes = inject(SceneChanges);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly starts = STARTS;
  protected readonly start = signal<SceneStart>('branch');

  protected readonly rows = computed((): readonly SceneRow[] => {
    const here = this.found();
    if (here === undefined) return [];
    const { session } = here;
    const floor = this.studio()?.floor.scene;
    const byRank = (scene: Scene): number => (scene.archived === true ? 1 : 0);
    return [...session.scenes]
      .sort((a, b) => byRank(a) - byRank(b))
      .map((scene) => ({
        scene,
        lines: threadsIn(session, scene).length,
        isHere: scene.id === here.scene.id,
        isOnFloor: floor?.session === session.id && floor.scene === scene.id,
        bases: session.scenes.filter(
          (base) => base !== scene && !followedBy(session.scenes, base).includes(scene),
        ),
      }));
  });

  protected open(scene: Scene, page: 'scenes/list' | 'work-list'): void {
    this.here.goToScene(this.found()?.session.id ?? '', scene.id, page);
  }

  protected follow({ scene, bases }: SceneRow, id: string): void {
    this.changes.follow(scene, bases.find((base) => base.id === id) ?? null);
  }

  protected async make(name: HTMLInputElement): Promise<void> {
    const id = await this.changes.make(name.value, this.start());
    if (id !== undefined) name.value = '';
  }

  protected chooseStart(value: string): void {
    this.start.set(STARTS.find(({ start }) => start === value)?.start ?? 'branch');
  }
}

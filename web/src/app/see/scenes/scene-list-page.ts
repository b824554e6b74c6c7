import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { Store } from '@ngrx/store';
import * as z from 'zod';
import { SCENE_STARTS } from '@ft/core/actions/scenes/sceneEdits';
import { sceneSchema } from '@ft/core/session/sessionSchema';
import { Here } from '../../shell/here';
import { PartPage } from '../../shell/part';
import { studioFeature } from '../../state/studio.feature';
import type { FormField } from '../../ui/form/form-field';
import { LineForm } from '../../ui/form/line-form';
import { SchemaForm } from '../../ui/form/schema-form';
import { CellTakers } from '../../ui/sheet/cell-takers';
import { ColumnMenu } from '../../ui/sheet/column-menu';
import { Reached } from '../../ui/sheet/reached';
import { Sheet } from '../../ui/sheet/sheet';
import { SceneChanges } from './scene-changes';
import type { SceneRow } from './scene-rows';
import { SCENE_COLUMNS, sceneRows } from './scene-rows';

const FIELDS: readonly FormField[] = [
  { key: 'name', label: 'Another scene', kind: 'text', widthRem: 14 },
  {
    ...{ key: 'start', label: 'How it begins', kind: 'choice' },
    choices: [
      { value: 'branch', name: 'following this one' },
      { value: 'copy', name: 'as a copy that stands alone' },
      { value: 'empty', name: 'with nothing plugged' },
    ],
  },
];
const freshSchema = z.object({ name: sceneSchema.shape.name, start: z.enum(SCENE_STARTS) });

/** The scenes in their order, and the line that makes another one. */
@Component({
  selector: 'ft-scene-list-page',
  imports: [ColumnMenu, LineForm, PartPage, Sheet],
  templateUrl: './scene-list-page.html',
  styles: `
    ft-line-form {
      padding: 0.6rem 0.75rem;
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
  private readonly to = inject(Here);
  protected readonly changes = inject(SceneChanges);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly sheet = viewChild<Sheet<SceneRow>>(Sheet);
  protected readonly fresh = new SchemaForm(FIELDS, freshSchema, { start: 'branch' });

  protected readonly rows = computed((): readonly SceneRow[] => {
    const found = this.found();
    return found === undefined ? [] : sceneRows(found.session, found.scene, this.studio()?.floor.scene);
  });
  protected readonly rowId = ({ scene }: SceneRow): string => `scene:${scene.id}`;
  protected readonly here = computed(() => `scene:${this.found()?.scene.id ?? ''}`);
  protected readonly reached = new Reached(this.rows, this.rowId);
  protected readonly columns = SCENE_COLUMNS;
  protected readonly edits = new CellTakers<SceneRow>(
    () => SCENE_COLUMNS,
    { one: ({ scene }) => scene.name, many: 'Scenes' },
    {
      open: (row) => {
        this.open(row, 'scenes/list');
      },
      move: ({ scene }, by) => {
        this.changes.move(scene, by);
      },
    },
  );

  protected open({ scene }: SceneRow, page: 'scenes/list' | 'work-list'): void {
    this.to.goToScene(this.found()?.session.id ?? '', scene.id, page);
  }

  protected make({ name, start }: z.output<typeof freshSchema>): void {
    void this.changes.make(name, start);
  }
}

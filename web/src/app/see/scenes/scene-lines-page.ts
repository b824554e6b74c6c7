import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { Store } from '@ngrx/store';
import type { LineInScene } from '@ft/core/actions/scenes/sceneEdits';
import type { SceneId } from '@ft/core/rig/ids';
import { scenesInOrder } from '@ft/core/session/scenesInOrder';
import type { Thread } from '@ft/core/session/sessionSchema';
import { threadName } from '@ft/core/session/threadName';
import { readOnOff } from '@ft/core/typed/settingText';
import { PartPage } from '../../shell/part';
import { studioFeature } from '../../state/studio.feature';
import { ColumnMenu } from '../../ui/sheet/column-menu';
import { Sheet } from '../../ui/sheet/sheet';
import type {
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from '../../ui/sheet/sheet-column';
import { SceneChanges } from './scene-changes';

const LINE: SheetColumn<Thread> = { id: 'line', title: 'Line', widthPx: 220, text: threadName };

/** Which lines of the input list are active in which scene. */
@Component({
  selector: 'ft-scene-lines-page',
  imports: [ColumnMenu, PartPage, Sheet],
  template: `
    <ft-part of="scenes/lines">
      <ng-container ngProjectAs="[tools]">
        @if (sheet(); as it) {
          <ft-column-menu [layout]="it.layout" />
        }
      </ng-container>
      @if (lines().length === 0) {
        <p class="empty">
          No lines yet. Enter them on the Track page; here you say in which scenes they run.
        </p>
      } @else {
        <ft-sheet
          name="Lines by scene"
          [rows]="lines()"
          [columns]="columns()"
          [edits]="edits"
          [rowId]="rowId"
        />
      }
    </ft-part>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SceneLinesPage {
  private readonly changes = inject(SceneChanges);
  private readonly found = inject(Store).selectSignal(studioFeature.selectFound);
  protected readonly sheet = viewChild<Sheet<Thread>>(Sheet);
  protected readonly rowId = ({ id }: Thread): string => `in-scenes:${id}`;

  protected readonly columns = computed((): readonly SheetColumn<Thread>[] => [
    LINE,
    ...scenesInOrder(this.found()?.session ?? { scenes: [] })
      .filter(({ archived }) => archived !== true)
      .map(({ id, name }): SheetColumn<Thread> => ({
        ...{ id, title: name, widthPx: 110, editor: 'switch', isRequired: true },
        text: ({ scenes }) => (scenes.includes(id) ? 'on' : 'off'),
      })),
  ]);
  protected readonly lines = computed(() =>
    [...(this.found()?.session.threads ?? [])].sort((a, b) => a.number - b.number),
  );

  protected readonly edits: SheetEdits<Thread> = {
    enter: (entries, way) => this.enter(entries, way),
    toggle: (row, column) => {
      if (column.editor !== 'switch') return;
      const text = column.text(row) === 'on' ? 'off' : 'on';
      void this.enter([{ row, column, text }], 'typed');
    },
  };

  /** Brings lines into scenes, and takes them out, as one change. */
  private async enter(
    entries: readonly SheetEntry<Thread>[],
    way: SheetWay,
  ): Promise<readonly SheetRefusal<Thread>[]> {
    const refused: SheetRefusal<Thread>[] = [];
    const wanted = entries.flatMap((entry): readonly LineInScene[] => {
      const { row, column, text } = entry;
      const read = readOnOff(column.title, text);
      if (!read.ok) refused.push({ entry, sentence: read.sentence });
      return read.ok ? [{ thread: row.id, scene: column.id as SceneId, isIn: read.value }] : [];
    });
    await this.changes.include(wanted, entries, way);
    return refused;
  }
}

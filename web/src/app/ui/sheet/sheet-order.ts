import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import type { CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import type { Signal } from '@angular/core';
import { afterNextRender, computed, effect, inject, Injector, untracked } from '@angular/core';
import type { SheetEdits } from './sheet-column';
import type { SheetCursor } from './sheet-cursor';
import type { SheetSight } from './sheet-sight';

interface Parts<R> {
  readonly rows: Signal<readonly R[]>;
  readonly rowId: Signal<(row: R) => string>;
  readonly edits: Signal<SheetEdits<R>>;
  readonly viewport: Signal<CdkVirtualScrollViewport>;
  readonly cursor: SheetCursor;
  readonly sight: SheetSight;
}

/** Rows that are put elsewhere, by dragging or by keys; the keys stay with the row they moved. */
export class SheetOrder<R> {
  private readonly injector = inject(Injector);
  /** Whether the page lets rows be put elsewhere. */
  readonly isOpen = computed(() => this.parts.edits().move !== undefined);
  private moved: { readonly id: string; at: number } | undefined;

  /** In an injection context. */
  constructor(private readonly parts: Parts<R>) {
    effect(() => {
      const [rows, { rowId, cursor }] = [this.parts.rows(), this.parts];
      const moved = this.moved;
      if (moved === undefined) return;
      const at = rows.findIndex((row) => rowId()(row) === moved.id);
      if (at < 0 || at === moved.at) return;
      moved.at = at;
      cursor.moveTo({ row: at, column: untracked(cursor.at).column });
      // A row that moves in the page loses its focus on the way.
      afterNextRender(
        () => {
          this.parts.sight.focus(cursor.at());
        },
        { injector: this.injector },
      );
    });
  }

  /** Puts a row further down, or up, and goes along with it. */
  step(row: R, by: number): void {
    const id = this.parts.rowId()(row);
    this.moved = { id, at: this.parts.rows().findIndex((each) => this.parts.rowId()(each) === id) };
    this.parts.edits().move?.(row, by);
  }

  /** Somebody went on to another row. */
  leave(row: R): void {
    if (this.parts.rowId()(row) !== this.moved?.id) this.moved = undefined;
  }

  drop({ item, currentIndex }: CdkDragDrop<unknown, unknown, R>): void {
    const from = this.parts.rows().indexOf(item.data);
    // Places are counted among the rows that are drawn.
    const by = this.parts.viewport().getRenderedRange().start + currentIndex - from;
    if (from >= 0 && by !== 0) this.parts.edits().move?.(item.data, by);
  }
}

import type { ElementRef, Signal, TemplateRef } from '@angular/core';
import {
  afterNextRender,
  computed,
  DestroyRef,
  effect,
  inject,
  Injector,
  signal,
  untracked,
  ViewContainerRef,
} from '@angular/core';
import type { DraggedRows } from './sheet-drag';
import type { SheetEdits } from './sheet-column';
import type { SheetCursor } from './sheet-cursor';
import type { SheetSight } from './sheet-sight';

interface Parts<R> {
  readonly rows: Signal<readonly R[]>;
  readonly rowId: Signal<(row: R) => string>;
  readonly edits: Signal<SheetEdits<R>>;
  readonly body: Signal<ElementRef<HTMLElement>>;
  /** What is drawn of a row while it is dragged. */
  readonly dragged: Signal<TemplateRef<{ readonly $implicit: R }>>;
  readonly cursor: SheetCursor;
  readonly sight: SheetSight;
}

/** Rows that are put elsewhere, by dragging or by keys; the keys stay with the row they moved. */
export class SheetOrder<R> {
  private readonly injector = inject(Injector);
  private readonly destroyRef = inject(DestroyRef);
  private readonly views = inject(ViewContainerRef);
  private drag: { readonly DraggedRows: typeof DraggedRows } | undefined;
  private rows: DraggedRows<R> | undefined;
  /** Whether a grip takes hold already. */
  readonly isReady = signal(false);
  /** Whether the page lets rows be put elsewhere. */
  readonly isOpen = computed(() => this.parts.edits().move !== undefined);
  private moved: { readonly id: string; at: number } | undefined;

  /** In an injection context. */
  constructor(private readonly parts: Parts<R>) {
    this.destroyRef.onDestroy(() => this.rows?.dispose());
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
    this.moved = { id: this.parts.rowId()(row), at: this.placeOf(row) };
    this.parts.edits().move?.(row, by);
  }

  private placeOf(row: R): number {
    const id = this.parts.rowId();
    return this.parts.rows().findIndex((each) => id(each) === id(row));
  }

  /** Somebody went on to another row. */
  leave(row: R): void {
    if (this.parts.rowId()(row) !== this.moved?.id) this.moved = undefined;
  }

  /**
   * A hand is near the grips: the rows that are drawn can be dragged from now on. Rows come and go while one scrolls,
   * and what drags them is loaded when it is wanted, so this is done each time.
   */
  async comeNear({ pointerType, buttons }: PointerEvent): Promise<void> {
    // A hand that is down has taken hold already, or is on its way with something.
    const isBusy = pointerType === 'mouse' && buttons !== 0;
    if (!this.isOpen() || isBusy || this.rows?.isDragging === true) return;
    // At once where it is there: a hand may press before anything that is waited for.
    this.drag ??= await import('./sheet-drag');
    if (this.destroyRef.destroyed) return;
    this.rows?.dispose();
    this.rows = new this.drag.DraggedRows<R>(this.injector, {
      body: this.parts.body().nativeElement,
      preview: this.parts.dragged(),
      views: this.views,
      rowOf: (element) => this.parts.rows()[Number(element.dataset['row'])],
      dropped: (row, by) => {
        // Others may have changed it while it was dragged: it is the same line, but another object.
        const now = this.parts.rows()[this.placeOf(row)];
        if (now !== undefined && by !== 0) this.parts.edits().move?.(now, by);
      },
    });
    this.isReady.set(true);
  }
}
